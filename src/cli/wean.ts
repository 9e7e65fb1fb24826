import { readSettingsJson } from '@/core/formats/dialectJson';
import { responseParameterOf } from '@/core/response/menuSchema';
import { weaningPlan } from '@/core/response/weaning';
import { UsageError } from './arguments';
import type { Command } from './command';
import { InputError, orRefuse, readText } from './files';

/** The way from a calm curve back to linear, as Shape plans it. */
export const wean: Command = {
  name: 'wean',
  usage: 'wean FILE.json --from 2026-01-05 [--json]',
  options: ['from'],
  run(args) {
    const [file, ...more] = args.positional;
    if (!file || more.length > 0) throw new UsageError('wean takes one settings file');
    const from = args.options.get('from') ?? '';
    const startMs = /^\d{4}-\d{2}-\d{2}$/.test(from) ? Date.parse(from) : NaN;
    if (Number.isNaN(startMs)) throw new UsageError('wean needs --from with a date, 2026-01-05');
    const { dialect, values } = orRefuse(file, readSettingsJson(readText(file)));
    const field = dialect.fields.find(({ maps }) => responseParameterOf(maps) === 'curve');
    const plan = field && weaningPlan(field, values, startMs);
    if (!field || !plan)
      throw new InputError(file, [
        {
          code: 'is-linear',
          message: 'There is no curve to wean from.',
          place: {},
          remedy: 'Name settings whose linearity is away from its neutral.',
        },
      ]);
    return {
      json: plan,
      table: plan.steps.map(({ value, dueMs }) => [
        new Date(dueMs).toISOString().slice(0, 10),
        `${field.label || field.key} ${value}`,
      ]),
    };
  },
};
