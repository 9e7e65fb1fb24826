/** Standing cautions, each from the torque on which it matters; shown where the number is set. */
export const CAUTIONS: readonly { fromNm: number; text: string }[] = [
  { fromNm: 0, text: 'The wheel turns by itself at power-up: hands clear, wall power last.' },
  { fromNm: 0, text: 'Fixings and quick release are checked before every start.' },
  { fromNm: 4, text: 'Both hands on while force changes, thumbs outside the spokes.' },
  { fromNm: 4, text: 'Start low and come up; breaks, and no tuning through pain.' },
  { fromNm: 8, text: 'Torque limit first, stop button in reach, no children, no loose sleeves.' },
  { fromNm: 8, text: 'The maker’s manual and a qualified person decide over us; local rules over both.' },
];
