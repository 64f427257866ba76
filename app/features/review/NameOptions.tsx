import type { DeskRecord } from '@plesion/contract/review';
import { inHundred } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { PressBox } from '../../ui/PressBox';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { Typeset } from '../../ui/Typeset';
import { namedParts } from '../records/namedParts';
import { drawnViews, formPlate, mainView } from '../plates/plates';
import { PlateView } from '../plates/PlateView';

interface NameOptionsProps {
  guide: Guide;
  record: DeskRecord;
  /** The view that the picture shows: the plates show it too, where it is drawn. */
  view?: string;
  onChoose: (at: number) => void;
}

const PLATE = 92;

/** The name as it was given, what comes nearest, and that the two cannot be told: one press says it. */
export function NameOptions({ guide, record, view: shown, onChoose }: NameOptionsProps) {
  const { look } = record;
  const view = drawnViews(guide).some(({ id }) => id === shown) ? shown! : mainView(guide);
  return (
    <Stack>
      {look.options.map((option, i) => {
        const parts = namedParts(guide, option.name);
        const aside = sayOption(record, i);
        const plate = option.name.other ? undefined : formPlate(guide, option.form, view, 'full');
        const probable = `${inHundred(option.p)} by what was read`;
        return (
          <PressBox
            key={i}
            role="button"
            onPress={() => onChoose(i)}
            sinks
            across
            oneLine
            align="center"
            gap="m"
            touch
            pad="s"
            ruled="round"
            ruledIn="hairline"
            round="m"
            tone="sheet"
          >
            <Text strong color={colour.kelp} wide={22} set="centre">
              {String(i + 1)}
            </Text>
            <Box fill>
              <Typeset strong parts={parts} />
              <Text size="small" quiet>
                {aside}
              </Text>
              <Text size="small" quiet>
                {probable}
              </Text>
            </Box>
            {plate && (
              <Box align="center" justify="center" wide={PLATE} tall={PLATE} round="s" tone="paper">
                <PlateView
                  plate={plate}
                  width={Math.min(PLATE, (PLATE * plate.box.width) / plate.box.height)}
                  height={Math.min(PLATE, (PLATE * plate.box.height) / plate.box.width)}
                />
              </Box>
            )}
          </PressBox>
        );
      })}
    </Stack>
  );
}

/** What it means to choose it. */
function sayOption({ name, look }: DeskRecord, at: number): string {
  if (at === 0) return `as ${name.by} named it: agree`;
  if (name.other) return 'one of the two';
  if (at === 1) return look.margin === undefined ? 'the likeliest of these' : 'what comes nearest';
  return look.options[at].name.other ? 'cannot be told apart by this' : 'only so far';
}
