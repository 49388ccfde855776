export { Button, ButtonLink } from './button';
export { Choice } from './choice';
export type { Option } from './choice';
export { Dialog } from './dialog';
export { DialogFoot } from './dialog-foot';
export { drawnLater } from './drawn-later';
export { FieldLabel, MoneyInput, NumberInput, TextBox, TextInput, TextLines } from './field';
export { Shortcuts } from './keys';
export { forgetTyping } from './kept';
export { Link } from './link';
export { later, Missed, useLater, useWhenQuiet } from './later';
export type { Later } from './later';
export { Mark } from './mark';
export { Picker } from './picker';

export { Caption, Caution, Fields, Line, Notice, Page, PageIndex, Section, Stack, Wide } from './sheet';
export { useUnkept } from './unkept';
