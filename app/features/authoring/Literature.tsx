import { addressOf } from '@plesion/contract';
import { authoringEndpoints } from '@plesion/contract/endpoints/authoring';
import type { Edit } from '@plesion/core/authoring';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { download } from '../../lib/download';
import { pickFile } from '../../lib/files';
import { useKeptText } from '../../lib/useKeptText';
import { Button } from '../../ui/Button';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { authoringApi } from './authoringApi';
import { freshId } from './freshId';
import type { PartProps } from './WritingScreen';

interface Props {
  id: string;
  sources: PartProps['draft']['sources'];
  edit: PartProps['edit'];
}

/** Sources from a list of literature, and out again for other programs. One that is among them already is passed over. */
export function Literature({ id, sources, edit }: Props) {
  const [text, setText] = useKeptText(`literature.${id}`);
  const [took, setTook] = useState<string>();
  const take = useMutation({
    mutationFn: (literature: string) => authoringApi('readCitations', { body: { text: literature } }),
    onMutate: () => setTook(undefined),
    onSuccess: ({ sources: read }) => {
      const known = new Set(sources.map(({ citation }) => citation));
      const fresh = read.filter(({ citation }) => !known.has(citation) && known.add(citation));
      const put = [...sources];
      const edits = fresh.map((cited): Edit => {
        const source = { ...cited, id: freshId(cited.label, put) };
        put.push(source);
        return { do: 'source', source };
      });
      if (edits.length > 0 && !edit(...edits)) return;
      setTook(`${edits.length} imported; ${read.length - edits.length} were here already.`);
      setText('');
    },
  });
  const choose = async () => {
    const file = await pickFile('.bib,.json,text/plain,application/json');
    if (file) take.mutate(await file.text());
  };
  return (
    <Stack>
      <TextField
        label="BibTeX or CSL-JSON"
        hint="Pasted here, or from a file. Wants a connection."
        value={text}
        multiline
        maxLength={400_000}
        onChangeText={setText}
      />
      <Row>
        <Button small label="Import them" busy={take.isPending} disabled={!text.trim()} onPress={() => take.mutate(text)} />
        <Button small kind="quiet" label="From a file" onPress={() => void choose()} />
      </Row>
      {take.error && <Failed error={take.error} />}
      <Text size="small" quiet role="status">
        {took ?? ''}
      </Text>
      <Row>
        {(['bibtex', 'csl'] as const).map((as) => (
          <Button
            key={as}
            small
            kind="quiet"
            label={as === 'csl' ? 'As CSL-JSON' : 'As BibTeX'}
            hint={`${as === 'csl' ? 'As CSL-JSON' : 'As BibTeX'}: all sources of this draft, as a file`}
            onPress={() => download(addressOf(authoringEndpoints.draftCitations, { params: { id }, query: { as } }))}
          />
        ))}
      </Row>
    </Stack>
  );
}
