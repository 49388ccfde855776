import { Text, View } from '@react-pdf/renderer';
import type { Evidence } from '@/core/quote';
import { styles } from './style';

/** What the inspection found, what was measured against which limit, and what is sound. */
export function SeenTable({ evidence: { found, measured, sound } }: { evidence: Evidence }) {
  if (found.length + measured.length + sound.length === 0) return null;
  return (
    <View style={{ marginBottom: 10 }}>
      <Text style={[styles.heading, { marginTop: 0 }]}>What the inspection shows</Text>
      {found.map((words) => (
        <View key={words} style={styles.row} wrap={false}>
          <Text style={styles.item}>{words}</Text>
        </View>
      ))}
      {measured.map((m) => (
        <View key={m.what} style={styles.row} wrap={false}>
          <Text style={styles.item}>{m.what}</Text>
          <Text style={styles.amount}>
            {m.value}
            {m.within ? '' : ' (outside)'}
          </Text>
          <Text style={[styles.amount, { width: 120 }]}>limit {m.limit}</Text>
        </View>
      ))}
      {sound.length > 0 && (
        <Text style={[styles.soft, { marginTop: 6 }]}>Looked at and sound: {sound.join(', ')}.</Text>
      )}
    </View>
  );
}
