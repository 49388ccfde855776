import { Suspects } from '../stages';

export default function Page() {
  return <Suspects />;
}
