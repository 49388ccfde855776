import { messageWords } from './message';
import type { QuoteContent } from './schema';

const content = {
  shop: { name: 'Shop', address: 'Street 1', phone: '00 1', letterhead: '' },
  currency: 'EUR',
  validUntil: '2026-12-25',
  job: { number: 7, vehicle: 'Marrick 2012', customer: 'Ann', unit: 'u', complaint: '' },
  recommended: { option: 'full', why: '' },
  options: [
    {
      id: 'full',
      name: 'Full overhaul',
      total: 345000,
      ready: { decideBy: '2026-11-26T12:00', at: '2026-12-01T16:00' },
    },
  ],
} as unknown as QuoteContent;

test('a message says the answer, the date it hangs on, and where everything stands', () => {
  const { subject, body } = messageWords(content, 'http://shop/q/abc', 'quote');
  expect(subject).toBe('Your quote 7 from Shop');
  expect(body).toContain('Dear Ann,');
  expect(body).toContain(
    'We recommend: Full overhaul, €3,450.00. If you say yes by Thu, 26 Nov, 12:00 it is ready Tue, 1 Dec, 16:00.',
  );
  expect(body).toContain('\nhttp://shop/q/abc\n');
  expect(body).toContain('hold until 25 Dec 2026');
});

test('what can hurt somebody stands in it; what nobody knows does not', () => {
  const open = {
    ...content,
    cautions: ['Do not drive it.'],
    recommended: null,
    job: { ...content.job, customer: '' },
  };
  const { subject, body } = messageWords(open, 'x', 'reminder');
  expect(subject).toBe('Reminder: your quote 7 from Shop');
  expect(body).toContain(
    'Dear customer,\n\nwe have not heard from you yet about your Marrick 2012.\nDo not drive it.\n\nEverything',
  );
  expect(body).not.toContain('recommend');
  const undated = { ...content, options: [{ ...content.options[0]!, ready: null }] };
  expect(messageWords(undated, 'x', 'quote').body).toContain('€3,450.00.\n');
});
