import { StyleSheet } from '@react-pdf/renderer';

const INK = '#14201e';
const SOFT = '#47544f';
const RULE = '#bcc4ba';
const FRAME = '#12201e';
const ACCENT = '#1c49b4';

/** The paper: figures stand under each other, one ink, one accent. */
export const styles = StyleSheet.create({
  page: {
    paddingTop: 34,
    paddingBottom: 46,
    paddingHorizontal: 40,
    fontFamily: ['Archivo', 'Archivo Extended', 'Greek', 'Cyrillic'],
    fontFeatureSettings: ['tnum'],
    fontSize: 9.5,
    lineHeight: 1.4,
    color: INK,
  },
  head: { flexDirection: 'row', justifyContent: 'space-between', marginBottom: 16 },
  shop: { fontSize: 12, fontWeight: 600 },
  soft: { color: SOFT },
  right: { textAlign: 'right' },
  title: { fontSize: 20, fontWeight: 600, lineHeight: 1.15, marginBottom: 3 },
  answer: { marginTop: 12, padding: 14, backgroundColor: FRAME, color: '#eef2e9' },
  answerTop: { flexDirection: 'row', justifyContent: 'space-between', gap: 14, alignItems: 'flex-end' },
  answerName: { fontSize: 15, fontWeight: 600, lineHeight: 1.2 },
  answerTotal: { fontSize: 22, fontWeight: 600, lineHeight: 1.1 },
  answerSoft: { color: '#a3b4ab' },
  facts: { flexDirection: 'row', gap: 18, marginTop: 10 },
  fact: { flexGrow: 1, flexBasis: 0 },
  heading: { fontSize: 12, fontWeight: 600, marginTop: 15, marginBottom: 4 },
  caution: {
    marginTop: 10,
    padding: 8,
    borderLeftWidth: 5,
    borderLeftColor: '#a3231a',
    backgroundColor: '#f4d8d2',
    fontWeight: 600,
  },
  photos: { flexDirection: 'row', flexWrap: 'wrap', gap: 12, marginTop: 4 },
  photo: { width: 251 },
  picture: { width: 251, height: 168, objectFit: 'cover' },
  row: { flexDirection: 'row', borderTopWidth: 0.6, borderTopColor: RULE, paddingVertical: 3 },
  strong: { borderTopWidth: 1.6, borderTopColor: INK },
  label: { width: 96, color: SOFT, paddingRight: 8 },
  cell: { flexGrow: 1, flexBasis: 0, paddingHorizontal: 5 },
  best: { backgroundColor: '#e4eaf8' },
  bestHead: { borderTopWidth: 2, borderTopColor: ACCENT },
  name: { fontSize: 10.5, fontWeight: 600 },
  money: { fontSize: 11.5, fontWeight: 600 },
  item: { flexGrow: 1, flexBasis: 0, paddingRight: 10 },
  quantity: { width: 48, textAlign: 'right', color: SOFT },
  amount: { width: 78, textAlign: 'right' },
  small: { fontSize: 8, color: SOFT, lineHeight: 1.3 },
  sign: { marginTop: 30, flexDirection: 'row', gap: 24 },
  slot: {
    flexGrow: 1,
    flexBasis: 0,
    borderTopWidth: 1,
    borderTopColor: INK,
    paddingTop: 3,
    color: SOFT,
    fontSize: 8,
  },
  foot: {
    position: 'absolute',
    left: 40,
    right: 40,
    flexDirection: 'row',
    justifyContent: 'space-between',
    fontSize: 8,
    color: SOFT,
    borderTopWidth: 0.6,
    borderTopColor: RULE,
    paddingTop: 4,
  },
});
