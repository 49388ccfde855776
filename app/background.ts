import os from 'node:os';
import workerpool from 'workerpool';
import type { CaseDocument, JobState } from '@/core/case';
import { shopDiagnoser, whyTooLarge } from '@/core/diagnosis';
import type { Diagnosis } from '@/core/diagnosis';
import { TooLarge } from '@/core/inference';
import type { UnitDefinition } from '@/core/unit';
import { checkCase, checkUnit, unitWarnings } from '@/core/validation';
import { knowledge, unitKnowledge } from '@/data/knowledge';
import type { BackgroundTasks, ReadCase, ToJudge, UnitReview } from '@/server/background-tasks';
import { acceptPhoto, reencode } from '@/server/pictures';
import { readPrices } from '@/server/price-book';

/** The entry of a background process (see server/background.ts). Whoever waits for a page goes first. */
os.setPriority(10);

const notJson = {
  pointer: '',
  message: 'is not valid JSON',
  remedy: 'Check that the whole file was sent and that nothing was cut off.',
};

async function readCase(text: Uint8Array): Promise<ReadCase> {
  let value: unknown;
  try {
    value = JSON.parse(Buffer.from(text).toString('utf8'));
  } catch {
    return { problems: [notJson] };
  }
  const problems = checkCase(value);
  if (problems.length) return { problems };
  const { photos = [], ...document } = value as CaseDocument;
  const taken = [];
  for (const [k, { id, data }] of photos.entries()) {
    const photo = await acceptPhoto(Buffer.from(data, 'base64'));
    if (!photo)
      return {
        problems: [
          {
            pointer: `/photos/${k}/data`,
            message: 'is not a picture that can be read',
            remedy: 'Leave it out, or export the job again.',
          },
        ],
      };
    taken.push({ id, ...photo });
  }
  return { problems: null, document, photos: taken };
}

async function reviewUnit(value: unknown): Promise<UnitReview> {
  const problems = checkUnit(value);
  const large = problems.length ? null : whyTooLarge(value as UnitDefinition, knowledge);
  if (large) return { problems: [large], warnings: [] };
  return { problems, warnings: problems.length ? [] : unitWarnings(value as UnitDefinition, unitKnowledge) };
}

/** The last unit judged: its model is compiled once for the looks that come one after the other. */
let last: { key: string; judge: (state: JobState) => Diagnosis } | null = null;

async function diagnose({ unit, state, experience }: ToJudge): Promise<Diagnosis | null> {
  const key = JSON.stringify([unit, experience]);
  if (last?.key !== key) last = { key, judge: shopDiagnoser(unit, knowledge, experience) };
  try {
    return last.judge(state);
  } catch (error) {
    if (error instanceof TooLarge) return null;
    throw error;
  }
}

// The PDF writer is large: it is loaded when nothing else is to be done.
const pdf: BackgroundTasks['pdf'] = async (input) => (await import('./render-pdf')).renderPdf(input);

/** Loads the PDF writer before anybody waits for it. */
const warm: BackgroundTasks['warm'] = async () => {
  await (await import('./render-pdf')).warmPdf();
};

const tasks: BackgroundTasks = {
  photo: reencode,
  pdf,
  readCase,
  readPrices: async (table) => readPrices(table),
  reviewUnit,
  diagnose,
  warm,
};

workerpool.worker({ ...tasks });
