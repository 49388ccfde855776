import { Client } from 'pg';
import { PAGES } from '@/core/stage';
import shop from '@/data/demo/shop.json';
import { signIn } from '../sign-in';
import type { Figure } from './figure';
import { quantile } from './figure';
import type { Served } from './served';

const JOBS = 20_000;
const ENTRIES_EACH = 100;
const RUNS = 25;

/** A shop of many years: 20,000 jobs, half of them open, with two million entries; a thirtieth of them hold 300 findings. */
export async function fillLarge(databaseUrl: string): Promise<void> {
  const client = new Client({ connectionString: databaseUrl });
  await client.connect();
  try {
    await client.query('ALTER TABLE entries DISABLE TRIGGER USER');
    await client.query(
      `INSERT INTO jobs (id, unit_id, unit_version, fold_version, stage, summary, created_by, search, closed, updated_at, last_seq, snapshot)
       SELECT gen_random_uuid(), m.unit_id, m.unit_version, m.fold_version, ($3::text[])[1 + n % cardinality($3)],
         jsonb_build_object('customer', 'Customer ' || n, 'vehicle', 'Veldt Ombra ' || 1990 + n % 35, 'complaint', 'Slips in third when hot',
           'promised', (date '2026-01-01' + n % 700)::text, 'waitsFor', (ARRAY['part','bench',NULL])[1 + n % 3], 'stationsOut', n % 11),
         m.created_by, 'customer ' || n || ' veldt ombra slips in third when hot ' || 9000 + n, n % 2 = 0, now() - n * interval '1 minute', $2, m.snapshot
       FROM generate_series(1, $1) n, LATERAL (SELECT * FROM jobs WHERE number = 1002) m`,
      [JOBS, ENTRIES_EACH, PAGES],
    );
    await client.query(
      `INSERT INTO entries (job_id, seq, id, by_name, by_user, slot, value)
       SELECT j.id, s, 'large-job-' || s, 'Mira Sollen', 'mira', 'unit.fluid.level', '{"is": "low"}' FROM jobs j, generate_series(1, $1) s WHERE j.last_seq = $1`,
      [ENTRIES_EACH],
    );
    await client.query('ALTER TABLE entries ENABLE TRIGGER USER');
    await client.query('ANALYZE');
  } finally {
    await client.end();
  }
}

/** Board, search and job page at that size. */
export async function large({ base }: Served): Promise<Figure[]> {
  const cookie = await signIn(base, shop.people[0]!.id);
  const of = `${JOBS} jobs and ${(JOBS * ENTRIES_EACH) / 1e6} million entries, median of ${RUNS}`;
  const ask = async (name: string, path: string, budget: number): Promise<Figure> => {
    const times: number[] = [];
    for (let k = 0; k < RUNS; k++) {
      const started = performance.now();
      await (await fetch(base + path.replace('$', String(k * 37 + 11)), { headers: { cookie } })).text();
      times.push(performance.now() - started);
    }
    return { name, value: quantile(times, 0.5), unit: 'ms', budget, of };
  };
  return [
    await ask('board', '/api/jobs', 100),
    await ask('board page', '/', 100),
    await ask('board, what is due', '/api/jobs?due=1', 100),
    await ask('board, closed', '/api/jobs?closed=1', 100),
    await ask('search by a customer', '/api/jobs?q=customer+$', 100),
    await ask('search by common words', '/api/jobs?q=veldt+third', 100),
    await ask('the third screen of a column', '/api/jobs?stage=teardown&from=60', 100),
    await ask('job page', '/jobs/15000/teardown', 50),
    await ask('listening for news', '/api/jobs/15000/entries?after=100', 20),
  ];
}
