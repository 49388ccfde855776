import '@fontsource-variable/archivo/wdth.css';
import { momentWords } from '@/core/shop';
import { send, sayError } from '@/ui/net/request';
import { forgetTyping, holdTyping, keptTyping } from '@/ui/system/kept';

/**
 * All that runs on the customer's page: times in the reader's own zone, words kept while they are typed, and an answer
 * sent. What follows from an answer is drawn by the server.
 */
const ANSWERED = 'pelvik answered';
type Field = HTMLInputElement | HTMLTextAreaElement;
type Kind = 'accept' | 'ask' | 'decline';

function localTimes(): void {
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  for (const time of document.querySelectorAll('time')) time.textContent = momentWords(time.dateTime, zone);
}

/** The answer form: which answers are possible, and sending one. */
class AnswerForm {
  private busy = false;
  private readonly fields: Field[];
  private readonly buttons: HTMLButtonElement[];
  private readonly problem: HTMLElement;

  constructor(
    root: HTMLElement,
    private readonly token: string,
  ) {
    this.fields = [...root.querySelectorAll<Field>('[data-field]')];
    this.buttons = [...root.querySelectorAll<HTMLButtonElement>('[data-answer]')];
    this.problem = root.querySelector<HTMLElement>('[data-problem]')!;
  }

  begin(): void {
    for (const field of this.fields) {
      const left = keptTyping(this.keep(field));
      if (left !== null) field.value = left;
      field.addEventListener('input', () => {
        holdTyping(this.keep(field), field.value);
        this.show();
      });
    }
    for (const option of document.querySelectorAll('input[name=option]'))
      option.addEventListener('change', () => this.show());
    for (const button of this.buttons)
      button.addEventListener('click', () => void this.answer(button.dataset.answer as Kind));
    // A browser that goes back shows the page as it was left.
    addEventListener('pageshow', () => this.rest());
    this.show();
  }

  private rest(): void {
    this.busy = false;
    this.show();
  }

  private keep(field: Field): string {
    return `pelvik answer ${this.token.slice(0, 8)} ${field.dataset.field}`;
  }

  private words(field: string): string {
    return this.fields.find((f) => f.dataset.field === field)!.value.trim();
  }

  private chosen(): HTMLInputElement | null {
    return document.querySelector('input[name=option]:checked:not(:disabled)');
  }

  private can(kind: Kind): boolean {
    if (this.busy || this.words('name').length < 2) return false;
    return kind === 'accept' ? this.chosen() !== null : kind === 'ask' ? this.words('message') !== '' : true;
  }

  private show(): void {
    for (const button of this.buttons) {
      const kind = button.dataset.answer as Kind;
      const can = this.can(kind);
      button.disabled = !can;
      button.toggleAttribute('data-disabled', !can);
      if (kind === 'accept') {
        const option = this.chosen();
        button.textContent = option ? `Accept: ${option.dataset.name}` : 'Choose an option to accept';
      }
    }
  }

  private async answer(kind: Kind): Promise<void> {
    this.busy = true;
    this.show();
    this.problem.hidden = true;
    try {
      await send('POST', `/api/q/${this.token}`, {
        body: {
          kind,
          option: kind === 'accept' ? this.chosen()!.value : null,
          name: this.words('name'),
          message: this.words('message'),
        },
      });
    } catch (error) {
      this.problem.textContent = sayError(error);
      this.problem.hidden = false;
      this.rest();
      return;
    }
    for (const field of this.fields) if (field.dataset.field === 'message') forgetTyping(this.keep(field));
    sessionStorage.setItem(ANSWERED, kind);
    location.reload();
  }
}

/** After an answer the reader is taken to where it stands. */
function showAnswer(): void {
  const kind = sessionStorage.getItem(ANSWERED);
  if (kind === null) return;
  sessionStorage.removeItem(ANSWERED);
  const place = document.getElementById(kind === 'accept' ? 'answered' : 'answers');
  place?.focus();
  place?.scrollIntoView({ block: 'center' });
}

localTimes();
const root = document.querySelector<HTMLElement>('[data-token]');
if (root) new AnswerForm(root, root.dataset.token!).begin();
showAnswer();
