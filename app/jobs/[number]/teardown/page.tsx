import { Teardown } from '@/ui/teardown/teardown';

export default function Page() {
  return <Teardown />;
}
