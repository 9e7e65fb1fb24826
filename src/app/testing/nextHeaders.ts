/** What the server has set while it answers: the page that comes with its answer is drawn with it, whatever the window says meanwhile. */
const set = new Map<string, string>();

/** The answer has come. */
export const answerCame = () => set.clear();

/** Stands in for `next/headers`: the server is asked by the page that is drawn, with its cookies. */
export const cookies = () =>
  Promise.resolve({
    get(name: string) {
      const found = document.cookie.split('; ').find((one) => one.startsWith(`${name}=`));
      const value = set.get(name) ?? (found && decodeURIComponent(found.slice(name.length + 1)));
      return value === undefined ? undefined : { name, value };
    },
    set(name: string, value: string) {
      set.set(name, value);
      document.cookie = `${name}=${encodeURIComponent(value)}; path=/`;
    },
  });
