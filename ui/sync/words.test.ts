import { connectionNotice, refusedWords } from './words';

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
