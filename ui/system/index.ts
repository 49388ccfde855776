export { Button, ButtonLink } from './button';
export { Choice } from './choice';
export type { Option } from './choice';
export { Dialog } from './dialog';
export { FieldLabel, NumberInput, readNumber, TextInput } from './field';
export { Mark } from './mark';
export { Caption, Caution, Fields, Line, Notice, Page, Section, Stack } from './sheet';
export { StyleRegistry } from './registry';
