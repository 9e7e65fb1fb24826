/** The same object with some of its methods replaced; all others are its own. */
export function withMethods<T extends object>(target: T, methods: Partial<T>): T {
  return new Proxy(target, {
    get(_, key) {
      if (key in methods) return methods[key as keyof T];
      const value: unknown = Reflect.get(target, key, target);
      return typeof value === 'function' ? (value as () => unknown).bind(target) : value;
    },
  });
}
