import type { CataloguePoint, FieldKind, Subject } from '@/core/inspection';
import { AmountsMatrix } from './amounts-field';
import { Levels } from './levels';
import { MeasureField } from './measure-field';
import type { FindingHandle } from './use-finding';
import { WordsField } from './words-field';

interface Props {
  subject: Subject;
  point: CataloguePoint;
  handle: FindingHandle;
  label: string;
}

/** How each kind of answer is drawn; what there is to say of a kind beside that stands in `core/inspection/field`. */
const FIELDS: Record<FieldKind, (props: Props) => React.ReactNode> = {
  scale: (p) => <Levels point={p.point} handle={p.handle} label={p.label} />,
  choice: (p) => <Levels point={p.point} handle={p.handle} label={p.label} />,
  test: (p) => <Levels point={p.point} handle={p.handle} label={p.label} />,
  measure: (p) => <MeasureField {...p} />,
  amounts: (p) => <AmountsMatrix subject={p.subject} points={[p.point]} />,
  words: (p) => <WordsField handle={p.handle} label={p.label} />,
};

/** The answer to a point, drawn as its kind is. */
export const Answer = (props: Props) => FIELDS[props.point.point.field.kind](props);
