import { Cause } from '../stages';

export default function Page() {
  return <Cause />;
}
