import { readDialectJson, readSettingsJson } from '@/core/formats/dialectJson';
import { translate } from '@/core/response/translate';
import { UsageError } from './arguments';
import { shown, type Command } from './command';
import { orRefuse, readText } from './files';

export const translateCommand: Command = {
  name: 'translate',
  usage: 'translate FILE.json --to DIALECT.json [--json]',
  options: ['to'],
  run(args) {
    const [file, ...more] = args.positional;
    const to = args.options.get('to');
    if (!file || more.length > 0) throw new UsageError('translate takes one settings file');
    if (to === undefined) throw new UsageError('translate needs --to with a dialect file');
    const { dialect, values } = orRefuse(file, readSettingsJson(readText(file)));
    const target = orRefuse(to, readDialectJson(readText(to)));
    const translation = translate(dialect, values, target);
    return {
      json: translation,
      table: [
        ...target.fields.map((field) => [field.label || field.key, shown(translation.values[field.key])]),
        ['greatest error', `${shown(translation.maxError)} at travel ${shown(translation.atTravel)}`],
        ...translation.notExpressible.map(({ parameter, why }) => [parameter, `not expressible: ${why}`]),
      ],
    };
  },
};
