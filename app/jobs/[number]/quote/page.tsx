import { Quote } from '../stages';

export default function Page() {
  return <Quote />;
}
