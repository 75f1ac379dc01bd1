/** A function of one immutable object that is worked out once for each. */
export function remembered<K extends object, V>(of: (key: K) => V): (key: K) => V {
  const known = new WeakMap<K, V>()
  return (key) => {
    if (!known.has(key)) known.set(key, of(key))
    return known.get(key)!
  }
}
