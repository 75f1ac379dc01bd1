# Shared by bin/demo and bin/test. Each step does nothing where it has been done.

command -v node >/dev/null || { echo "Node 20 or newer is needed: install it, then run this again." >&2; exit 1; }

# Next warns on every start that it would like to send figures home; it may not.
export NEXT_TELEMETRY_DISABLED=1

hash_of() { git hash-object --stdin; }

# npm packages, installed anew when the lock file changes.
setup_packages() {
  local want; want=$(hash_of < package-lock.json)
  if [ ! -d node_modules ] || [ "$(cat node_modules/.lock-hash 2>/dev/null)" != "$want" ]; then
    echo "Installing packages (the database driver may be compiled: 3 to 4 minutes, once)"
    # Not "npm ci": it insists on the packages of all platforms, which not every registry serves.
    npm install --no-save --no-audit --no-fund --loglevel=error
    echo "$want" > node_modules/.lock-hash
  fi
}

# What is drawn sees the fonts of the packages and no others, whatever the machine has (scripts/fonts.mjs).
setup_fonts() {
  node scripts/fonts.mjs || return 1
  export FONTCONFIG_FILE="$PWD/dist/fonts.conf" PANGOCAIRO_BACKEND=fontconfig DISABLE_SYSTEM_FONTS_LOAD=1
}

# The worker threads of the server, bundled (under a second).
setup_worker() { node scripts/build-worker.mjs; }

# The built app, made anew when a source changes.
setup_build() {
  local want; want=$(find src next.config.ts package-lock.json tsconfig.json postcss.config.mjs -type f | sort | xargs cat | hash_of)
  setup_worker || return 1
  if [ "$(cat .next/source-hash 2>/dev/null)" != "$want" ]; then
    echo "Building the app"
    node node_modules/next/dist/bin/next build || return 1
    echo "$want" > .next/source-hash
  fi
}

# Debian's chromium, for the tests of the interface.
setup_chromium() {
  command -v chromium >/dev/null && return
  if command -v apt-get >/dev/null && [ "$(id -u)" = 0 ]; then
    echo "Installing chromium"
    apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq chromium >/dev/null
  else
    echo "chromium is missing and cannot be installed from here: install Debian's package chromium, then run this again." >&2
    exit 1
  fi
}

# The built app, in the background; its process is $server. An idle connection is kept for a minute: at the usual five
# seconds it is closed just when a test, or a script, that waited as long sends its next request on it.
serve() {
  node node_modules/next/dist/bin/next start -H "${MOSAICUS_BIND:-127.0.0.1}" -p "$PORT" --keepAliveTimeout 60000 &
  server=$!
}

# wait_for ADDRESS PID: until the server answers, or ends.
wait_for() {
  for _ in $(seq 1 120); do
    kill -0 "$2" 2>/dev/null || { echo "The server ended before it answered." >&2; exit 1; }
    node -e "fetch('$1').then(r=>process.exit(r.ok?0:1),()=>process.exit(1))" && return
    sleep 0.5
  done
  echo "The server did not answer." >&2; exit 1
}
