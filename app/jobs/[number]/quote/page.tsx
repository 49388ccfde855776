import { QuoteStage } from '@/ui/quote/quote';

export default function Page() {
  return <QuoteStage />;
}
