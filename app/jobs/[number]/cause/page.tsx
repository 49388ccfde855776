import { CauseStage } from '@/ui/cause/cause';

export default function Page() {
  return <CauseStage />;
}
