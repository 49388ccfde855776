import type { Json } from './entry';
import { dangersOf } from './dangers';
import { stateFromValues } from './fold';

const told = (values: Record<string, Json>) => dangersOf(stateFromValues(values));

test('moving when it should not is a danger whoever tells it, and stays one when the shop could not see it', () => {
  const customer = { 'grid.N.customer': { any: { behaviours: ['moves'] } } };
  expect(told(customer)).toEqual(['moves']);
  expect(told({ 'grid.P.shop': { hot: { behaviours: ['normal', 'moves'] } } })).toEqual(['moves']);
  expect(told({ ...customer, 'grid.N.shop': { any: { behaviours: ['normal'] } } })).toEqual(['moves']);
});

test('what held on and lets go at times, or by now, has only freed itself', () => {
  const binds = (more: Record<string, Json> = {}) => ({
    'grid.D2.shop': { any: { behaviours: ['binds'], ...more } },
  });
  expect(told(binds())).toEqual([]);
  expect(told(binds({ when: ['intermittent'] }))).toEqual(['freed']);
  expect(told(binds({ when: ['load'] }))).toEqual([]);
  expect(told({ ...binds(), 'unit.checks.outcome': { is: 'works' } })).toEqual(['freed']);
  expect(told({ ...binds(), 'unit.checks.outcome': { is: 'not-reproduced' } })).toEqual(['freed']);
  expect(told({ ...binds(), 'unit.checks.outcome': { is: 'worse' } })).toEqual([]);
});

test('slipping is none, and nothing told is none', () => {
  expect(told({ 'grid.D2.shop': { any: { behaviours: ['slips'], when: ['intermittent'] } } })).toEqual([]);
  expect(told({ 'unit.checks.outcome': { is: 'works' } })).toEqual([]);
  expect(told({})).toEqual([]);
});
