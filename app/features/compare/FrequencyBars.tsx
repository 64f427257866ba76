import type { Scored } from '@plesion/core/compare';
import { StyleSheet, View } from 'react-native';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { FORM_INKS } from './inks';

/** States that none of the forms shows more often than this are left out. */
const RARE = 0.02;

/** Each state with a bar a form: how often it is met in 100. */
export function FrequencyBars({ forms, names }: { forms: readonly (Scored | null)[]; names: readonly string[] }) {
  const scored = forms.map((form) => (form?.kind === 'states' ? form.states : undefined));
  const states = (scored.find(Boolean) ?? []).filter(({ state }) =>
    scored.some((list) => (list?.find((one) => one.state === state)?.p ?? 0) > RARE),
  );
  const unsure = names.filter((_, i) => {
    const form = forms[i];
    return form?.kind === 'states' && form.uncertain;
  });
  return (
    <Stack>
      {states.map(({ state, label }) => (
        <Row
          key={state}
          gap="m"
          align="center"
          padTop="xs"
          ruled="above"
          oneLine
          role="img"
          aria-label={sayShares(
            label,
            names,
            scored.map((list) => list?.find((one) => one.state === state)?.p),
          )}
        >
          <Text size="small" wide={112}>
            {label}
          </Text>
          <Stack gap="hair" fill>
            {scored.map((list, i) => {
              const p = list?.find((one) => one.state === state)?.p;
              return (
                <Row key={names[i]} gap="xs" align="center" oneLine>
                  <View
                    style={[
                      styles.bar,
                      {
                        width: `${Math.max(0.5, (p ?? 0) * 82)}%`,
                        backgroundColor: FORM_INKS[i].wash,
                        borderColor: FORM_INKS[i].line,
                      },
                    ]}
                  />
                  <Text size="small" figures color={FORM_INKS[i].line}>
                    {p === undefined ? '?' : Math.round(p * 100)}
                  </Text>
                </Row>
              );
            })}
          </Stack>
        </Row>
      ))}
      {unsure.length > 0 && (
        <Text size="small" quiet>
          {`Of ${unsure.join(' and ')} it is not known which of them.`}
        </Text>
      )}
    </Stack>
  );
}

/** "level: 86 in 100 of H. sodalis, 13 of H. consors". */
const sayShares = (label: string, names: readonly string[], shares: readonly (number | undefined)[]): string =>
  `${label}: ${names
    .map((name, i) =>
      shares[i] === undefined ? `${name} not scored` : `${Math.round(shares[i] * 100)}${i ? '' : ' in 100'} of ${name}`,
    )
    .join(', ')}`;

const styles = StyleSheet.create({
  bar: { height: 11, borderRadius: 4, borderWidth: 1.5 },
});
