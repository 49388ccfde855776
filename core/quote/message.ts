import { dayWords, shopMomentWords, formatMoney } from '@/core/shop';
import type { QuoteContent } from './schema';

/** What is written to a customer along with the link. */
export function messageWords(
  content: QuoteContent,
  link: string,
  kind: 'quote' | 'reminder',
): { subject: string; body: string } {
  const { job, shop, options, recommended } = content;
  const best = options.find((o) => o.id === recommended?.option);
  const greeting = job.customer ? `Dear ${job.customer},` : 'Dear customer,';
  const opening =
    kind === 'reminder'
      ? `we have not heard from you yet about your ${job.vehicle}.`
      : `we have looked at your ${job.vehicle} and written down what we found, what we propose and what it costs.`;
  const answer = best
    ? `We recommend: ${best.name}, ${formatMoney(best.total, content.currency)}.${
        best.ready
          ? ` If you say yes by ${shopMomentWords(best.ready.decideBy)} it is ready ${shopMomentWords(best.ready.at)}.`
          : ''
      }`
    : '';
  return {
    subject: `${kind === 'reminder' ? 'Reminder: your' : 'Your'} quote ${job.number} from ${shop.name}`,
    body: [
      greeting,
      '',
      opening,
      ...(content.cautions ?? []),
      ...(answer ? ['', answer] : []),
      '',
      'Everything, with pictures, and the place to answer or ask:',
      link,
      '',
      `The prices hold until ${dayWords(content.validUntil)}. Nothing is done without your yes.`,
      '',
      shop.name,
      `${shop.address}, ${shop.phone}`,
    ].join('\n'),
  };
}
