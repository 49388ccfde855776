import { Scope } from '../stages';

export default function Page() {
  return <Scope />;
}
