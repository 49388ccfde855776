import { catalogueDocument, catalogueOf } from '@/core/inspection';
import { whyTooLarge } from '@/core/diagnosis';
import type { Fault } from '@/core/powerflow';
import type { UnitDefinition } from '@/core/unit';
import { inspection } from '@/data/inspection';
import { knowledge } from '@/data/knowledge';
import { CommandError } from './fail';
import { noFiles, oneFile, readOptions, unitFor } from './input';
import type { Options } from './input';
import { unitJson, unitText } from './unit-print';

export const help = `
./pelvik unit check FILE [--json]
./pelvik unit fault FILE (--lost E | --stuck E | --slip E=CAPACITY_NM | --break PART | --strip MESH)... [--torque NM] [--json]
./pelvik unit points

check: validates a unit definition and prints its ratios, torques and margins, or every error with its place and remedy.
fault: prints what every range and gear does with the faults. Turbine torque defaults from the definition.
points: prints what can be recorded of what, as a Markdown table.
Exit code: 0 good, 1 the content is wrong, 2 used wrongly.
`;

const FAULTS = ['--lost', '--stuck', '--slip', '--break', '--strip'];

export async function run(args: string[]): Promise<number> {
  const [verb, ...rest] = args;
  const options = readOptions(rest, ['--json'], [...FAULTS, '--torque']);
  const json = options.flags.has('--json');
  if (verb === 'check') return check(oneFile(options, 'unit definition'), json);
  if (verb === 'fault') return fault(options, json);
  if (verb === 'points') return points(options);
  throw new CommandError('unit takes check, fault or points. See ./pelvik unit --help.', 2);
}

function points(options: Options): number {
  noFiles(options, 'unit points');
  process.stdout.write(catalogueDocument(catalogueOf(inspection)));
  return 0;
}

function check(file: string, json: boolean): number {
  try {
    const unit = unitFor('', file);
    const large = whyTooLarge(unit, knowledge);
    if (large) throw new CommandError(`${file} ${large.message}. ${large.remedy}`, 1, [large]);
    print(unit, [], undefined, json);
    return 0;
  } catch (error) {
    // The errors are what was asked for: they belong on standard output.
    if (json || !(error instanceof CommandError) || !error.problems.length) throw error;
    process.stdout.write(`${error.message}\n`);
    return error.code;
  }
}

function fault(options: Options, json: boolean): number {
  const unit = unitFor('', oneFile(options, 'unit definition'));
  const faults = FAULTS.flatMap((flag) =>
    (options.values.get(flag) ?? []).map((value) => readFault(unit, flag, value)),
  );
  if (faults.length === 0) throw new CommandError(`Name at least one fault: ${FAULTS.join(', ')}.`, 2);
  const torque = options.values.get('--torque')?.[0];
  const turbine = torque === undefined ? undefined : positive('--torque', torque);
  print(unit, faults, turbine, json);
  return 0;
}

function readFault(unit: UnitDefinition, flag: string, value: string): Fault {
  const known = (list: { id: string }[], id: string, what: string) => {
    if (!list.some((x) => x.id === id))
      throw new CommandError(
        `${unit.name} has no ${what} "${id}". It has: ${list.map((x) => x.id).join(', ')}.`,
      );
    return id;
  };
  if (flag === '--break') {
    return {
      kind: 'break',
      part: known(
        unit.parts.filter((p) => p.splits),
        value,
        'power-path part',
      ),
    };
  }
  if (flag === '--strip') return { kind: 'strip', gearset: known(unit.gearsets, value, 'gearset') };
  if (flag === '--slip') {
    const [element = '', capacity = ''] = value.split('=');
    return {
      kind: 'slip',
      element: known(unit.elements, element, 'element'),
      capacityNm: positive('--slip E=', capacity),
    };
  }
  return { kind: flag === '--lost' ? 'lost' : 'stuck', element: known(unit.elements, value, 'element') };
}

function positive(what: string, text: string): number {
  const value = Number(text);
  if (text.trim() === '' || !Number.isFinite(value) || value < 0)
    throw new CommandError(`${what} takes a number of N·m, not "${text}".`, 2);
  return value;
}

function print(unit: UnitDefinition, faults: Fault[], torque: number | undefined, json: boolean): void {
  process.stdout.write(
    json ? `${JSON.stringify(unitJson(unit, faults, torque))}\n` : unitText(unit, faults, torque),
  );
}
