const FIRST_ROOM = 4096;

/** Columns of equal length that grow row by row; twice the room whenever it is full. */
export function growingColumns<Name extends string>(names: readonly Name[]) {
  let room = FIRST_ROOM;
  let length = 0;
  const data = names.map(() => new Float64Array(room));
  const rows = (from: number) =>
    Object.fromEntries(names.map((name, i) => [name, data[i]!.slice(from, length)])) as Record<
      Name,
      Float64Array
    >;
  return {
    /** Values in the order of the names. */
    push(row: ArrayLike<number>) {
      if (length === room) {
        room *= 2;
        data.forEach((column, i) => {
          data[i] = new Float64Array(room);
          data[i]!.set(column);
        });
      }
      for (let i = 0; i < data.length; i++) data[i]![length] = row[i]!;
      length++;
    },
    finish: () => rows(0),
    /** The rows from a number on. */
    rows,
  };
}
