'use client';
import { POLICIES, POLICY_NAMES } from '@/core/case';
import { Choice, Section, Stack } from '@/ui/system';
import { useDraft } from './draft';
import { Named } from './fields';

export function ShopPolicies() {
  const { terms, change } = useDraft();
  return (
    <Section
      title="The shop’s way"
      note="Where builders differ. A job can be left to go another way, with a reason."
    >
      <Stack $gap={12}>
        {POLICY_NAMES.map((name) => {
          const { label, choices } = POLICIES[name];
          return (
            <Named key={name}>
              <b>{label}</b>
              <Choice
                label={label}
                value={terms.policies[name] as string}
                options={Object.entries(choices).map(([value, words]) => ({ value, label: words as string }))}
                onChange={(v) => v && change({ policies: { ...terms.policies, [name]: v } })}
              />
            </Named>
          );
        })}
      </Stack>
    </Section>
  );
}
