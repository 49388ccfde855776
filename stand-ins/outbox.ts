import { chmod, mkdir, writeFile } from 'node:fs/promises';
import path from 'node:path';

/** A message to a customer. */
export interface Message {
  /** An address or a telephone number, as the shop wrote it. */
  to: string;
  from: string;
  subject: string;
  body: string;
}

/**
 * Stands in for a mail service: each message becomes a file in the open mail format, to be read with any mail program. A
 * recipient that begins with "fail" is refused, so that what happens then can be seen. Throws an Error where it is not sent.
 */
export async function deliver(message: Message, folder: string, at: Date, id: string): Promise<void> {
  if (/^fail/i.test(message.to)) throw new Error('The recipient was refused.');
  // Messages hold live links: for the shop's own eyes.
  await mkdir(folder, { recursive: true, mode: 0o700 });
  await chmod(folder, 0o700);
  const head = [
    `Date: ${at.toUTCString()}`,
    `From: ${oneLine(message.from)}`,
    `To: ${oneLine(message.to)}`,
    `Subject: ${oneLine(message.subject)}`,
    'MIME-Version: 1.0',
    'Content-Type: text/plain; charset=utf-8',
    'Content-Transfer-Encoding: 8bit',
  ];
  const text = `${head.join('\r\n')}\r\n\r\n${message.body.replace(/\r?\n/g, '\r\n')}\r\n`;
  await writeFile(path.join(folder, `${at.toISOString().replace(/[:.]/g, '-')}-${id}.eml`), text, {
    encoding: 'utf8',
    mode: 0o600,
  });
}

/** No head of a message runs on into the next. */
const oneLine = (text: string) => text.replace(/[\r\n]+/g, ' ').slice(0, 300);
