import { urlOf } from '@plesion/contract';
import type { TellingCharacter } from '@plesion/core/book';
import type { Guide } from '@plesion/core/guide';
import { closedViews, conceal, leadersOf, type Veil, VEILS } from '@plesion/core/plates';
import { useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { download } from '../../lib/download';
import { colour, space, WIDE } from '../../theme';
import { Box } from '../../ui/Box';
import { LinkBox } from '../../ui/LinkBox';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Icon } from '../../ui/Icon';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { drawnViews, formPlate } from '../plates/plates';
import { planOf } from '../records/plans';
import { PlateSheet } from '../plates/PlateSheet';

interface FormPlatesProps {
  id: string;
  guide: Guide;
  formId: string;
  /** Best first, of all views. */
  characters: readonly TellingCharacter[];
}

type Layer = Veil | 'closed wing';

/** How bad a layer is drawn here, as a share of the worst. */
const AMOUNT = 0.6;

/** The form in every view, its best characters pointed at; or as it is met: dirty, worn, behind leaves, in glare. */
export function FormPlates({ id, guide, formId, characters }: FormPlatesProps) {
  const [layers, setLayers] = useState<Layer[]>([]);
  const plan = planOf(guide);
  if (!plan) return null;
  const options = [...(Object.keys(closedViews(guide)).length ? ['closed wing' as const] : []), ...VEILS].map((layer) => ({
    id: layer,
    label: layer,
  }));
  return (
    <Stack gap="m">
      <Row gap="m">
        {drawnViews(guide).map((view) => (
          <OnePlate
            key={view.id}
            id={id}
            guide={guide}
            formId={formId}
            view={view}
            characters={characters.filter((character) => character.view === view.id)}
            layers={layers}
          />
        ))}
        {/* Tiles are no animal that could be met. */}
        {guide.plan && (
          <Box fill={280} most="all">
            <ChoiceGroup label="As it is met" many options={options} chosen={layers} onChange={setLayers} />
          </Box>
        )}
      </Row>
    </Stack>
  );
}

interface OnePlateProps extends Omit<FormPlatesProps, 'characters'> {
  view: { id: string; label: string };
  characters: readonly TellingCharacter[];
  layers: readonly Layer[];
}

const MOST = 5;

/** How wide tiles are shown, in points for a millimetre of them: one alone is not as large as a plate. */
const TILE_WIDTH = 3.4;

function OnePlate({ id, guide, formId, view, characters, layers }: OnePlateProps) {
  const screen = useWindowDimensions().width;
  const many = drawnViews(guide).length;
  const room = screen >= WIDE ? (many > 3 ? 316 : 486) : Math.min(screen - 44, 480);
  const closed = layers.includes('closed wing') ? closedViews(guide)[view.id] : undefined;
  const drawn = formPlate(guide, formId, closed ?? view.id, 'full');
  if (!drawn) return null;
  const width = drawn.unscaled ? Math.min(room, TILE_WIDTH * drawn.box.width) : room;
  const veils = layers.filter((layer): layer is Veil => layer !== 'closed wing');
  const plate = conceal(
    drawn,
    veils.map((veil) => ({ veil, amount: AMOUNT, seed: `${formId} ${view.id}` })),
  );
  const hidden = layers.length > 0;
  const leaders = hidden ? [] : leadersOf(drawn, characters.slice(0, MOST), (24 * drawn.box.width) / width);
  const caption = closed ? `${view.label}, wings closed` : view.label;
  return (
    <View style={{ width: width + 2 * space.s + 2 }}>
      <PlateSheet plate={plate} width={width} label={`Plate, ${caption}`} caption={caption} leaders={leaders}>
        {leaders.map(({ part, text }, i) => (
          <LinkBox
            key={part}
            label={`${i + 1}: ${text}`}
            href={{
              pathname: '/guides/[id]/character',
              params: { id, character: characters.find((character) => character.part === part)!.character },
            }}
            gap="s"
            align="center"
            padX="s"
            leastTall={34}
            across
            oneLine
          >
            <Text size="small" strong color={colour.kelp} figures wide={16} set="centre">
              {i + 1}
            </Text>
            <Text size="small" fill>
              {text}
            </Text>
          </LinkBox>
        ))}
        <Row justify="end" oneLine gap="none">
          {(['svg', 'png'] as const).map((as) => (
            <Button
              key={as}
              small
              kind="quiet"
              label={as.toUpperCase()}
              hint={`Download the plate, ${caption}, as ${as.toUpperCase()}`}
              icon={<Icon name="download" size={16} color={colour.kelp} />}
              onPress={() => download(urlOf('plate', { params: { id }, query: { form: formId, view: closed ?? view.id, as } }))}
            />
          ))}
        </Row>
      </PlateSheet>
    </View>
  );
}
