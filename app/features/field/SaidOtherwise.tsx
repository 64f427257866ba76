import type { Guide } from '@plesion/core/guide';
import { saidOtherwise, type Seen, type TurnedOut } from '@plesion/core/fieldwork';
import { sayDate } from '../../lib/dates';
import { LinkBox } from '../../ui/LinkBox';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { inWords } from './words';

interface SaidOtherwiseProps {
  guide: Guide;
  seen: readonly Seen[];
  truth: TurnedOut;
}

/** What it turned out to be, and which of its captures said otherwise; they stay as they were written. */
export function SaidOtherwise({ guide, seen, truth }: SaidOtherwiseProps) {
  const otherwise = saidOtherwise(guide, seen, truth);
  const taxon = guide.taxa.find(({ id }) => id === truth.taxon);
  const said = `It turned out: ${[taxon?.vernacular ?? taxon?.name, truth.sex, truth.how].filter(Boolean).join(', ')}`;
  if (otherwise.length === 0)
    return (
      <Notice kind="note" title={`${said}.`}>
        None of its captures said otherwise.
      </Notice>
    );
  return (
    <Notice kind="note" title={`${said}. ${inWords(otherwise.length, 'capture')} said otherwise.`}>
      <Text size="small">They stay as they were written.</Text>
      {otherwise.map(({ id, day, taxon: kind, sex }) => {
        const named = guide.taxa.find((one) => one.id === kind);
        return (
          <LinkBox key={id} href={`/field/captures/${id}`} justify="center" padY="xs">
            <Text size="small" strong>
              {`${sayDate(day)}: ${[sex, named?.vernacular ?? named?.name].filter(Boolean).join(', ')}`}
            </Text>
          </LinkBox>
        );
      })}
    </Notice>
  );
}
