import { solveGear } from '@/core/powerflow';
import type { Fault, GearSolution } from '@/core/powerflow';
import type { UnitDefinition } from '@/core/unit';
import { CommandError } from './fail';
import { oneFile, readOptions, unitFor } from './input';
import type { Options } from './input';

export const help = `
./pelvik unit check FILE [--json]
./pelvik unit fault FILE (--lost E | --stuck E | --slip E=CAPACITY_NM | --break PART | --strip MESH)... [--torque NM] [--json]

check: validates a unit definition and prints its ratios and torques, or every error with its place and remedy.
fault: prints what every range and gear does with the faults. Turbine torque defaults from the definition.
Exit code: 0 good, 1 the content is wrong, 2 used wrongly.
`;

const FAULTS = ['--lost', '--stuck', '--slip', '--break', '--strip'];

export async function run(args: string[]): Promise<number> {
  const [verb, ...rest] = args;
  const options = readOptions(rest, ['--json'], [...FAULTS, '--torque']);
  const json = options.flags.has('--json');
  if (verb === 'check') return check(oneFile(options, 'unit definition'), json);
  if (verb === 'fault') return fault(options, json);
  throw new CommandError('unit takes check or fault. See ./pelvik unit --help.', 2);
}

function check(file: string, json: boolean): number {
  try {
    print(unitFor('', file), [], undefined, json);
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
  const solutions = unit.gears.map((g) => solveGear(unit, g.key, faults, torque));
  if (json) {
    process.stdout.write(`${JSON.stringify({ ok: true, unit: unit.id, gears: solutions.map(toJson) })}\n`);
    return;
  }
  process.stdout.write(`${unit.name}: ${unit.layout}\n`);
  for (const s of solutions) {
    const ratio = s.ratio === null ? '' : s.ratio.toFixed(6).padStart(10);
    const torques = Object.entries(s.elements)
      .map(([id, t]) => `${id} ${t === null ? 'indeterminate' : t.toFixed(4)}`)
      .join(', ');
    const notes = [
      s.slipping && `${s.slipping} slips`,
      s.coast && (s.coast === 'brakes' ? 'brakes on coast' : 'freewheels'),
      s.parkPawl !== 'free' && `pawl ${s.parkPawl}`,
    ];
    process.stdout.write(
      `${s.key.padEnd(3)} ${s.outcome.padEnd(11)} ${ratio}  ${torques}${torques ? '; ' : ''}${notes.filter(Boolean).join(', ')}\n`,
    );
  }
}

function toJson(s: GearSolution) {
  const six = (v: number | null) => (v === null ? null : Number(v.toFixed(9)));
  return {
    key: s.key,
    outcome: s.outcome,
    ratio: six(s.ratio),
    elements: Object.fromEntries(Object.entries(s.elements).map(([id, t]) => [id, six(t)])),
    holding: s.holding,
    coast: s.coast,
    parkPawl: s.parkPawl,
    ...(s.slipping
      ? {
          slipping: s.slipping,
          fallsTo: s.fallsTo && { outcome: s.fallsTo.outcome, ratio: six(s.fallsTo.ratio) },
        }
      : {}),
  };
}
