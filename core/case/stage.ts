/** The stages of a job in the order of the work. */
export const STAGES = [
  'intake',
  'suspects',
  'teardown',
  'cause',
  'scope',
  'quote',
  'build',
  'release',
] as const;
export type Stage = (typeof STAGES)[number];

export const STAGE_NAMES: Record<Stage, string> = {
  intake: 'Intake',
  suspects: 'Suspects',
  teardown: 'Teardown',
  cause: 'Cause',
  scope: 'Scope',
  quote: 'Quote',
  build: 'Build',
  release: 'Release',
};

/** The stage a slot belongs to: its point's where it holds a finding. */
export type StageOf = (slot: string) => Stage;

export function isStage(value: string): value is Stage {
  return (STAGES as readonly string[]).includes(value);
}
