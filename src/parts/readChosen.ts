import { fail, reasonOf, type Outcome } from '@/core/problem';

/** Reads a document that was chosen; a file that cannot be read at all is a problem like any other. */
export async function readChosen<T>(file: File, read: (text: string) => Outcome<T>): Promise<Outcome<T>> {
  let text: string;
  try {
    text = await file.text();
  } catch (error) {
    return fail({
      code: 'not-read',
      message: `${file.name} was not read: ${reasonOf(error)}.`,
      place: {},
      remedy: 'Look whether it is still where it was, and choose it again.',
    });
  }
  return read(text);
}
