import { Intake } from '@/ui/intake/intake';

export default function Page() {
  return <Intake />;
}
