import type { CaptureWrite } from '@plesion/contract';
import { CATCH_WORDS, readBack } from '@plesion/core/fieldwork';
import { useEffect, useState } from 'react';
import { z } from 'zod';
import { useKeptState } from '../../lib/useKeptState';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { focusHeading, PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { captureDrafts } from '../records/fieldDrafts';
import { useSession } from '../session/useSession';
import { CatchForm } from './CatchForm';
import { useCatchGuide } from './useCatchGuide';
import { notePutOn, noteTakenOff, useField } from './useField';
import { sayFirsts, useListed } from './useLists';
import { kindName } from './words';

const Chosen = z.object({ guide: z.string().optional() });

/** Catch after catch into one visit. */
export function CatchScreen({ visitId }: { visitId: string }) {
  const { station: own, account } = useSession();
  const station = own.id;
  const listed = useListed().data;
  const { field, error, refetch } = useField();
  /** What is caught at one visit is mostly of one guide. */
  const [{ guide: wanted }, change] = useKeptState(`catch.${visitId}.guide`, Chosen, {});
  const guide = useCatchGuide(wanted);
  const visit = field?.open.find(({ id }) => id === visitId);
  const site = field?.view.sites.find(({ id }) => id === visit?.siteId);
  const [last, setLast] = useState<{ id: string; capture: CaptureWrite; kind: string; gone?: boolean; first?: string }>();
  /** Each catch begins on an empty sheet, at its top. */
  const [saved, setSaved] = useState(0);
  /** Said quietly, by the lists as they were seen last. */
  const firstsOfCatch = (id: string, { taxon, guideId, at }: CaptureWrite): string | undefined => {
    if (!taxon || !guideId || !listed) return undefined;
    const record = { kind: 'capture' as const, id, day: at.slice(0, 10), guideId, taxon, site: site?.id, by: account.name };
    return sayFirsts(record, listed.records);
  };
  const keep = (capture: CaptureWrite, id: string) => {
    if (capture.what === 'ringed') notePutOn(station, capture.mark!);
    captureDrafts.startDraft(station, id, capture);
    setLast({ id, capture, kind: kindName(guide.stored?.guide, capture), first: firstsOfCatch(id, capture) });
    setSaved(saved + 1);
  };
  useEffect(() => {
    if (saved > 0) focusHeading();
  }, [saved]);
  const takeBack = () => {
    if (!last) return;
    if (last.capture.mark) noteTakenOff(station, last.capture.mark);
    captureDrafts.draftOf(station, last.id)?.change((now) => ({ ...now, hidden: true }));
    setLast({ ...last, gone: true });
  };
  return (
    <AsyncScreen
      what="The catch sheet"
      value={field && guide.stored ? { field, stored: guide.stored } : undefined}
      error={error ?? (guide.stored ? undefined : guide.error)}
      retry={() => (refetch(), guide.retry())}
    >
      {(open) => (
        <CatchForm
          {...open}
          about={visitId}
          often={guide.often}
          guides={{ rows: guide.rows, chosen: open.stored.id, choose: (id) => change({ guide: id }) }}
          visitId={visitId}
          onSave={keep}
          key={saved}
          head={<PageHeading title="Catch sheet">{site ? `Catch, ${site.name}` : 'Catch'}</PageHeading>}
          said={
            last && (
              <Row role="status" align="center" padX="m" touch round="m" tone="kelpWash">
                <Text size="small" fill least={160}>
                  {`${last.gone ? 'Undone' : 'Saved'}: ${last.capture.mark ? readBack(last.capture.mark) : CATCH_WORDS[last.capture.what]}, ${last.kind}${last.first ? ` · ${last.first}` : ''}`}
                </Text>
                {!last.gone && <Button small kind="quiet" label="Undo" onPress={takeBack} />}
              </Row>
            )
          }
        />
      )}
    </AsyncScreen>
  );
}
