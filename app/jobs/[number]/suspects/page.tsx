import { Suspects } from '@/ui/suspects/suspects';

export default function Page() {
  return <Suspects />;
}
