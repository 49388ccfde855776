import { Intake } from '../stages';

export default function Page() {
  return <Intake />;
}
