import { EventEmitter } from 'node:events';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { linkRates } from './link-rates';

const answers: EventEmitter[] = [];

const ask = async (rates: ReturnType<typeof linkRates>, url: string, address = '10.0.0.1') => {
  let status = 200;
  const response = Object.assign(new EventEmitter(), {
    writeHead: (s: number) => (status = s),
    end: () => undefined,
  });
  answers.push(response);
  const request = { url, headers: { 'x-pelvik-address': address } };
  const admitted = await rates.admit(
    request as unknown as IncomingMessage,
    response as unknown as ServerResponse,
  );
  return [admitted, status];
};

test('a link is opened so often within a minute, in all its parts together, and others are not held up by it', async () => {
  const rates = linkRates({ link: 3, address: 100, underway: 40 });
  for (const url of ['/q/one', '/api/q/one/photos/a', '/q/one/pdf?paper=a4'])
    expect(await ask(rates, url)).toEqual([true, 200]);
  expect(await ask(rates, '/api/q/one/clips/b')).toEqual([false, 429]);
  expect(await ask(rates, '/q/one', '10.0.0.2')).toEqual([false, 429]);
  expect(await ask(rates, '/q/two')).toEqual([true, 200]);
});

test('one address opens only so many links, and what is no link is not counted', async () => {
  const rates = linkRates({ link: 100, address: 2, underway: 40 });
  expect(await ask(rates, '/q/one')).toEqual([true, 200]);
  expect(await ask(rates, '/q/two')).toEqual([true, 200]);
  expect(await ask(rates, '/q/three')).toEqual([false, 429]);
  expect(await ask(rates, '/q/three', '10.0.0.2')).toEqual([true, 200]);
  for (const url of ['/jobs/1001/intake', '/api/jobs/1001/entries', '/qualify', '/'])
    expect(await ask(rates, url)).toEqual([true, 200]);
});

test('only so many answers of one link are under way; one that is closed makes room', async () => {
  const rates = linkRates({ link: 100, address: 100, underway: 2 });
  answers.length = 0;
  await ask(rates, '/q/one');
  await ask(rates, '/q/one');
  expect(await ask(rates, '/q/one')).toEqual([false, 503]);
  expect(await ask(rates, '/q/two')).toEqual([true, 200]);
  answers[0]!.emit('close');
  expect(await ask(rates, '/q/one')).toEqual([true, 200]);
  expect(await ask(rates, '/q/one')).toEqual([false, 503]);
});
