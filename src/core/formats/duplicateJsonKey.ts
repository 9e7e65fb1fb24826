/** Texts, and the signs that open and close an object or a list. */
const TOKEN = /"(?:[^"\\]|\\.)*"|[{}[\]]/g;
const COLON = /\s*:/y;

/**
 * The first key that stands twice in one object: a reader would silently take the last one.
 * @param json JSON that has been parsed already
 * @returns the key and its line, or `null`
 */
export function duplicateJsonKey(json: string): { key: string; row: number } | null {
  const open: (Set<string> | null)[] = [];
  for (const token of json.matchAll(TOKEN)) {
    const sign = token[0];
    if (sign === '{') open.push(new Set());
    else if (sign === '[') open.push(null);
    else if (sign === '}' || sign === ']') open.pop();
    else {
      const keys = open.at(-1);
      COLON.lastIndex = token.index + sign.length;
      if (!keys || !COLON.test(json)) continue;
      const key = JSON.parse(sign) as string;
      if (keys.has(key)) return { key, row: json.slice(0, token.index).split('\n').length };
      keys.add(key);
    }
  }
  return null;
}
