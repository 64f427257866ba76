import { AGE_FAMILIES, type AgeFamily, METHOD_WORDS, METHODS } from '@plesion/core/fieldwork';
import { DAY_ORDERS, type ImportHow } from '@plesion/core/import';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { Picker } from '../../ui/Picker';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';

interface ImportDefaultsProps {
  how: ImportHow;
  guides: readonly { id: string; title: string }[];
  families: readonly AgeFamily[];
  onChange: (part: Partial<ImportHow>) => void;
}

/** What holds for all lines: by which guide they are named, how days are written, and what no column says. */
export function ImportDefaults({ how, guides, families, onChange }: ImportDefaultsProps) {
  const says = (to: string) => how.columns?.some((one) => one.to === to) === true;
  return (
    <Card title="For all lines">
      <Text size="small" strong quiet>
        Guide whose names and characters they are
      </Text>
      <Picker
        label="Guide whose names and characters they are"
        items={guides.map(({ id, title }) => ({ id, label: title }))}
        chosen={how.guideId}
        onChange={(guideId) => onChange({ guideId, columns: undefined })}
        onClear={() => onChange({ guideId: undefined, columns: undefined })}
      />
      <ChoiceGroup
        label="Days are written"
        options={DAY_ORDERS.map((id) => ({ id, label: id.replaceAll('-', ', ') }))}
        chosen={how.days ? [how.days] : []}
        onChange={([days]) => onChange({ days })}
      />
      {!says('site') && (
        <TextField
          label="Site"
          value={how.site ?? ''}
          onChangeText={(site) => onChange({ site: site || undefined })}
          maxLength={120}
        />
      )}
      {!says('people') && (
        <TextField
          label="People"
          value={how.people ?? ''}
          onChangeText={(people) => onChange({ people: people || undefined })}
          maxLength={120}
        />
      )}
      <Disclosure title="Method, age codes, clock">
        {!says('method') && (
          <ChoiceGroup
            label="Method"
            options={METHODS.map((id) => ({ id, label: METHOD_WORDS[id] }))}
            chosen={how.method ? [how.method] : []}
            clearable
            onChange={([method]) => onChange({ method })}
          />
        )}
        <ChoiceGroup
          label="Ages are written in"
          options={[...AGE_FAMILIES, ...families].map(({ id, label }) => ({ id, label }))}
          chosen={[how.family ?? 'letters']}
          onChange={([family]) => onChange({ family })}
        />
        <TextField
          label="Offset of the clock from UTC"
          value={how.offset ?? '+00:00'}
          onChangeText={(offset) => onChange({ offset })}
          maxLength={6}
          problem={/^[+-](0\d|1[0-4]):[0-5]\d$/.test(how.offset ?? '+00:00') ? undefined : 'Write the offset as +01:00.'}
        />
      </Disclosure>
    </Card>
  );
}
