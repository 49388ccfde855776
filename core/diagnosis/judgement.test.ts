import { firstByCounting, thereByCounting, tiny } from '@/tests/fixtures/tiny';
import type { TinyLinks, TinyNode } from '@/tests/fixtures/tiny';
import { certainly } from './judgement';

const causes: TinyNode[] = [
  { id: 'a', leak: 0.1 },
  { id: 'b', leak: 0.06 },
];
const mechanisms: TinyNode[] = [
  { id: 'm', leak: 0.02, from: { a: 0.95, b: 0.3 } },
  { id: 'n', leak: 0.05, from: { m: 0.8 } },
];
const links: TinyLinks = {
  m: { on: ['m'], levels: { no: [0.9, 0.2], yes: [0.1, 0.8] } },
  n: { on: ['n'], levels: { no: [0.7, 0.4], yes: [0.3, 0.6] } },
};

describe('a judgement', () => {
  const net = tiny(causes, mechanisms, links);
  const found = [net.found('m', 'yes'), net.found('n', 'no')];
  const judged = () => net.judge(found);
  const sure = (id: string) => ({
    link: { ...net.link('m')!, nodes: [net.at(id)] },
    absent: 0,
    present: 1,
  });
  test('what else is there, were a cause certain; worked out once for each', () => {
    const { given } = judged();
    for (const id of ['a', 'b'])
      thereByCounting(net, [...found, sure(id)]).forEach((p, k) =>
        expect(given(net.at(id))[k]).toBeCloseTo(p, 12),
      );
    expect(given(0)).toBe(given(0));
    expect(given(0)).not.toBe(given(1));
  });
  test('what was first, were anything certain', () => {
    const { assuming } = judged();
    for (const id of ['a', 'm', 'n'])
      firstByCounting(net, [...found, sure(id)]).forEach((p, r) =>
        expect(assuming(net.at(id))[r]).toBeCloseTo(p, 12),
      );
  });
  test('certain is certain, and what was known stays as it was', () => {
    const { likelihoods } = judged().known;
    const before = Float64Array.from(likelihoods);
    expect([...certainly(likelihoods, 2)]).toEqual([...before.slice(0, 4), 0, 1, ...before.slice(6)]);
    expect(likelihoods).toEqual(before);
  });
});
