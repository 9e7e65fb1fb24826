import Papa from 'papaparse';

const CHUNK = 1 << 20;

/**
 * The rows of a CSV text from a place on, one after the other: a long file is never held as rows all at once. Empty lines
 * at its end are passed over; one in the middle is a row of one empty cell.
 */
export function* wholeRows(text: string, from = 0, delimiter = ','): Generator<string[]> {
  let empty = 0;
  for (const chunk of chunksOf(text, from)) {
    for (const row of Papa.parse<string[]>(chunk, { delimiter, skipEmptyLines: false }).data) {
      if (row.length === 1 && row[0]!.trim() === '') {
        empty++;
        continue;
      }
      for (; empty > 0; empty--) yield [''];
      yield row;
    }
  }
}

/** Pieces of about a megabyte that end where a line does, outside of quotes; each without its last line end. */
function* chunksOf(text: string, from: number): Generator<string> {
  let at = from;
  while (at < text.length) {
    let end = text.length;
    if (text.length - at > CHUNK) {
      end = lineEnd(text, at, at + CHUNK);
    }
    const chunk = text.slice(at, end);
    yield chunk.endsWith('\r\n') ? chunk.slice(0, -2) : chunk.endsWith('\n') ? chunk.slice(0, -1) : chunk;
    at = end;
  }
}

/** Just behind the first line end from `wanted` on that does not stand in quotes. */
function lineEnd(text: string, from: number, wanted: number): number {
  let inside = false;
  for (
    let quote = text.indexOf('"', from);
    quote >= 0 && quote < wanted;
    quote = text.indexOf('"', quote + 1)
  )
    inside = !inside;
  for (let i = wanted; i < text.length; i++) {
    const code = text.charCodeAt(i);
    if (code === QUOTE) inside = !inside;
    else if (code === NEWLINE && !inside) return i + 1;
  }
  return text.length;
}

const QUOTE = 34;
const NEWLINE = 10;
