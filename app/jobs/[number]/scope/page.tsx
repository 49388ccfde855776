import { ScopeStage } from '@/ui/scope/scope';

export default function Page() {
  return <ScopeStage />;
}
