import { existsSync, readFileSync, statSync } from 'node:fs';
import { parseArgs } from 'node:util';
import type { CaseDocument } from '@/core/case';
import type { Stage } from '@/core/stage';
import { isStage, STAGES } from '@/core/stage';
import { catalogueOf, inspectionOf, stageOfIn } from '@/core/inspection';
import { currentUnit } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { checkCase, checkUnit, openCase } from '@/core/validation';
import type { Problem } from '@/core/validation';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { CommandError } from './fail';

const catalogue = catalogueOf(knowledge.inspection);

/** The stage each slot of a job belongs to. */
export const stageOf = stageOfIn(catalogue);

const LARGEST = 64 * 1024 * 1024;

/** Reads a JSON file; says what is wrong with it in one line. */
function readJson(file: string): unknown {
  if (!existsSync(file) || !statSync(file).isFile()) throw new CommandError(`There is no file ${file}.`, 2);
  if (statSync(file).size > LARGEST) throw new CommandError(`${file} is larger than 64 MB.`);
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch (error) {
    const message = `is not JSON: ${(error as Error).message}`;
    const remedy = 'Check that the whole file is there and that brackets and commas match.';
    throw new CommandError(`${file} ${message}`, 1, [{ pointer: '', message, remedy }]);
  }
}

function describe(problems: Problem[]): string {
  return problems.map((p) => `${p.pointer || '/'}: ${p.message}. ${p.remedy}`).join('\n');
}

/** A case file of either version, with the unit it is about: the given file's, or the shipped one it names. */
export function readCaseOn(
  file: string,
  unitFile: string | undefined,
): { document: CaseDocument; unit: UnitDefinition } {
  const value = readJson(file);
  const shape = checkCase(value);
  if (shape.length) throw invalid(file, 'a case', shape);
  const unit = unitFor((value as CaseDocument).unit, unitFile);
  const { document, problems } = openCase(value as CaseDocument, inspectionOf(unit, catalogue));
  if (problems.length) throw invalid(file, `a case of ${unit.name}`, problems);
  return { document, unit };
}

/** The unit of a case: the given file's, or the shipped one of that id. */
export function unitFor(id: string, file: string | undefined): UnitDefinition {
  if (!file) {
    const unit = shippedUnits.find((u) => u.id === id);
    if (!unit) throw new CommandError(`Pelvik ships no unit "${id}": give its definition with --unit FILE.`);
    return unit;
  }
  const value = readJson(file);
  const problems = checkUnit(value);
  if (problems.length) throw invalid(file, 'a unit definition', problems);
  return currentUnit(value as UnitDefinition);
}

function invalid(file: string, what: string, problems: Problem[]): CommandError {
  return new CommandError(`${file} is not ${what}:\n${describe(problems)}`, 1, problems);
}

export interface Options {
  files: string[];
  flags: Set<string>;
  values: Map<string, string[]>;
}

/** Sorts arguments into files, flags and options with a value. Unknown options are an error of use. */
export function readOptions(args: string[], flags: string[], valued: string[]): Options {
  const bare = (name: string) => name.replace(/^--/, '');
  const known = Object.fromEntries([
    ...flags.map((f) => [bare(f), { type: 'boolean' as const }]),
    ...valued.map((v) => [bare(v), { type: 'string' as const, multiple: true }]),
  ]);
  try {
    const { values, positionals } = parseArgs({ args, options: known, allowPositionals: true });
    const given = Object.entries(values);
    return {
      files: positionals,
      flags: new Set(given.flatMap(([name, value]) => (value === true ? [`--${name}`] : []))),
      values: new Map(
        given.flatMap(([name, value]) => (Array.isArray(value) ? [[`--${name}`, value as string[]]] : [])),
      ),
    };
  } catch (error) {
    throw new CommandError(wordsOf(error as NodeJS.ErrnoException), 2);
  }
}

function wordsOf({ code, message }: NodeJS.ErrnoException): string {
  const option = /'(?:-\w, )?(-[^\s'<]*)/.exec(message)?.[1] ?? 'that';
  if (code === 'ERR_PARSE_ARGS_UNKNOWN_OPTION') return `There is no option ${option}. Try --help.`;
  return /does not take/.test(message) ? `${option} takes no value.` : `${option} needs a value.`;
}

/** A whole number an option gives, within bounds. */
export function wholeOption(options: Options, name: string, otherwise: number, least: number, most: number) {
  const value = Number(options.values.get(name)?.at(-1) ?? otherwise);
  if (!Number.isInteger(value) || value < least || value > most)
    throw new CommandError(`${name} takes a whole number from ${least} to ${most}.`, 2);
  return value;
}

export function stageOption(options: Options): Stage | null {
  const value = options.values.get('--until')?.[0];
  if (value === undefined) return null;
  if (!isStage(value)) throw new CommandError(`--until takes one of: ${STAGES.join(', ')}.`, 2);
  return value;
}

export function oneFile(options: Options, what: string): string {
  if (options.files.length !== 1) throw new CommandError(`Give one ${what} file.`, 2);
  return options.files[0]!;
}

/** For commands that take no file. */
export function noFiles(options: Options, command: string): void {
  if (options.files.length)
    throw new CommandError(
      `${command} does not know "${options.files[0]}". See ./pelvik ${command} --help.`,
      2,
    );
}
