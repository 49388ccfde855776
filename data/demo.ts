import { readFileSync } from 'node:fs';
import path from 'node:path';
import type { CaseDocument, Json } from '@/core/case';
import jobsFile from './demo/jobs.json';

/** What the demo shop did with a case: who took it in and when, its photos, how far its quote went. */
interface Listing {
  case: string;
  /** The id of who wrote it down. */
  by: string;
  daysAgo: number;
  /** Working days from today to the promise. */
  promisedIn?: number;
  photos: { id: string; file: string; about: string; caption: string; marker: { x: number; y: number } }[];
  /** Made; sent; or accepted: the option, and the name typed under it. */
  quote?: { send?: boolean; accept?: string; name?: string };
  closed?: boolean;
  /** Parts of a donor core that were put on the shelf, and their prices. */
  shelf?: Record<string, number>;
}

export interface DemoJob extends Listing {
  unit: string;
  title: string;
  findings: Record<string, Json>;
}

/** The jobs of the demo shop in the order they came in. Their case files stand alone and are good to read. */
export function demoJobs(): DemoJob[] {
  const place = path.join(process.cwd(), 'data', 'demo', 'cases');
  return (jobsFile.jobs as Listing[]).map((listing) => {
    const told = JSON.parse(readFileSync(path.join(place, `${listing.case}.json`), 'utf8')) as CaseDocument;
    const findings = Object.fromEntries(told.findings.map((f) => [f.slot, f.value]));
    return { ...listing, unit: told.unit, title: told.title!, findings };
  });
}
