import { MessagePage } from '@/ui/system/message';

export default function NotFound() {
  return (
    <MessagePage
      title="There is nothing at this address"
      words="Check the address, or go back to the board."
    />
  );
}
