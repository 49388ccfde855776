import { changesWait, connectionNotice, othersWait, refusedWords, slotPlain } from './words';

const away = { says: null, waiting: 0, byJob: new Map<number, number>() };

test('nothing is said of the connection while all is well or not known yet', () => {
  for (const connection of ['online', 'opening', 'other-person'] as const)
    expect(connectionNotice({ ...away, connection })).toBeNull();
});

test('without the network, signed out, or put off by the server: each is told apart, with what waits', () => {
  const two = { waiting: 2, byJob: new Map([[7, 2]]) };
  const offline = connectionNotice({ ...away, ...two, connection: 'offline' })!;
  expect(offline).toMatchObject({ title: 'No connection to the shop’s server.', signIn: false });
  expect(offline.words).toContain('2 changes wait');
  const full = connectionNotice({ ...away, ...two, connection: 'offline', says: 'The disk is full.' })!;
  expect(full).toMatchObject({ title: 'The disk is full.', signIn: false });
  expect(connectionNotice({ ...away, ...two, connection: 'signed-out', says: 'x' })).toMatchObject({
    title: 'You are signed out.',
    signIn: true,
  });
});

test('what was refused is counted', () => {
  expect(refusedWords(1)).toMatch(/refused one change\. Everything else was saved/);
  expect(refusedWords(3)).toContain('3 changes');
});

test('what waits is counted, of one’s own and of others', () => {
  const words = (waiting: number, ...jobs: number[]) =>
    connectionNotice({
      ...away,
      connection: 'offline',
      waiting,
      byJob: new Map(jobs.map((job) => [job, 1])),
    })!.words;
  expect(words(0)).toBe('Go on working: what you enter is kept on this device and sent later.');
  expect(words(1, 7)).toBe('One change waits on this device, and will be sent automatically.');
  expect(words(2, 7)).toBe('2 changes wait on this device, and will be sent automatically.');
  expect(words(3, 7, 8)).toBe('3 changes wait on this device in 2 jobs, and will be sent automatically.');
  expect(changesWait(1, 'Mira Sollen')).toBe('1 change of Mira Sollen waits here.');
  expect(changesWait(2, 'Mira Sollen')).toBe('2 changes of Mira Sollen wait here.');
  expect(othersWait({ name: 'Mira Sollen', changes: 1 })).toBe(
    '1 change of Mira Sollen waits here. It is kept, and sent when Mira signs in.',
  );
  expect(othersWait({ name: 'Mira Sollen', changes: 2 })).toBe(
    '2 changes of Mira Sollen wait here. They are kept, and sent when Mira signs in.',
  );
  expect(slotPlain('unit.fluid-level.is')).toBe('unit fluid level is');
});
