'use client';
import { MessagePage } from '@/ui/system/message';
import { Button } from '@/ui/system';

export default function ErrorPage() {
  return (
    <MessagePage
      title="Something went wrong"
      words="What you typed is kept on this device. Load the page again; a part of it that did not arrive comes with the connection to the shop’s server."
    >
      <Button $kind="main" onPress={() => location.reload()}>
        Load it again
      </Button>
    </MessagePage>
  );
}
