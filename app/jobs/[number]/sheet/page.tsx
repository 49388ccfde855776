import { Paper } from '../stages';

export default function Page() {
  return <Paper />;
}
