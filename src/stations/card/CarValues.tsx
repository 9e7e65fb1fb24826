import type { CarTable } from '@/book/judge/carTable';
import { Table } from '@/ui/Table';

/** What is set for each car alone, side by side; the open car is the strong row. */
export function CarValues({ table: { fields, cars } }: { table: CarTable }) {
  return (
    <div className="mt-8 max-w-2xl print:hidden">
      <Table
        label="Values per car"
        caption="What is set for each car alone"
        rows={cars}
        keyOf={({ name }) => name}
        isStrong={({ isOpen }) => isOpen}
        fileName="cars"
        columns={[
          { head: 'Car', value: ({ name }) => name, isRowHead: true },
          ...fields.map(({ key, label }) => ({
            head: label,
            value: ({ values }: CarTable['cars'][number]) => values[key]?.text ?? '–',
            isFigure: true,
          })),
        ]}
      />
    </div>
  );
}
