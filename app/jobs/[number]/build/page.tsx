import { Build } from '../stages';

export default function Page() {
  return <Build />;
}
