import { writtenValue, type CardLine, type CardPage, type SetupCard } from '@/core/card/setupCard';

/** The card as it is printed: one A5 side. Values away from neutral are bold. */
export function CardSheet({ card }: { card: SetupCard }) {
  return (
    <article
      aria-label="Setup card"
      className="card-sheet max-w-[148mm] border border-line bg-raised p-[8mm] text-[13px] leading-snug print:max-w-none print:border-0 print:bg-transparent print:p-0 print:text-[8.5pt]"
    >
      <h2 className="text-lg leading-tight font-bold">{card.title}</h2>
      <p className="text-muted">{card.made.join(' · ')}</p>
      {card.pages.map((page) => (
        <Page key={page.path} page={page} />
      ))}
      <div className="mt-2 grid grid-cols-2 gap-x-4">
        <List head="Buttons" items={card.buttons} />
        <List head="Calibration" items={card.calibration} />
        <List head="Mind" items={card.cautions} />
      </div>
    </article>
  );
}

/** By axis; a page that holds one thing of every axis has that thing as its only row. */
function Page({ page }: { page: CardPage }) {
  const labels = new Set(page.lines.map((line) => line.label));
  const isOfOne = labels.size === 1;
  const heads = isOfOne ? [...labels] : [...new Set(page.lines.map((line) => line.axis))];
  return (
    <section className="mt-2">
      <h3 className="border-b border-line font-bold">{page.path}</h3>
      <table className="w-full" aria-label={page.path}>
        <tbody>
          {heads.map((head) => (
            <tr key={head} className="border-b border-line/60 align-baseline last:border-0">
              <th scope="row" className="w-24 py-0.5 pr-2 text-left font-normal">
                {head}
              </th>
              <td className="py-0.5">
                {page.lines
                  .filter((line) => isOfOne || line.axis === head)
                  .map((line) => (
                    <Value
                      key={`${line.axis} ${line.label}`}
                      line={line}
                      name={isOfOne ? line.axis : line.label}
                    />
                  ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Value({ line, name }: { line: CardLine; name: string }) {
  return (
    <span className="mr-4 inline-block whitespace-nowrap">
      <span className="text-muted">{name} </span>
      <span className={`font-mono ${line.isNeutral ? '' : 'font-bold'}`}>{writtenValue(line)}</span>
    </span>
  );
}

function List({ head, items }: { head: string; items: string[] }) {
  if (items.length === 0) return null;
  return (
    <section>
      <h3 className="font-bold">{head}</h3>
      <ul className="text-[11px] leading-tight print:text-[7pt]">
        {items.map((item) => (
          <li key={item} className="mt-0.5">
            {item}
          </li>
        ))}
      </ul>
    </section>
  );
}
