import { Teardown } from '../stages';

export default function Page() {
  return <Teardown />;
}
