/** Found once, when it is first asked for. */
export function lazily<Key, Value>(find: (key: Key) => Value): (key: Key) => Value {
  const found = new Map<Key, Value>();
  return (key) => {
    const known = found.get(key);
    if (known !== undefined) return known;
    const value = find(key);
    found.set(key, value);
    return value;
  };
}
