import { BaseMap } from '@plesion/contract/map';
import { useState } from 'react';
import { pickFile } from '../../lib/files';
import { Button } from '../../ui/Button';
import { Disclosure } from '../../ui/Disclosure';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { useWriteBaseMap } from './useMap';

/** Another ground: the coast of where the station really is. */
export function OwnGround({ own }: { own: boolean }) {
  const write = useWriteBaseMap();
  const [problem, setProblem] = useState<string>();
  const take = async (file: File) => {
    setProblem(undefined);
    let json: unknown;
    try {
      json = JSON.parse(await file.text());
    } catch {
      return setProblem('This file is not JSON. Send GeoJSON: a FeatureCollection of land as polygons.');
    }
    const read = BaseMap.safeParse(json);
    if (read.success) return write.mutate(read.data);
    const [issue] = read.error.issues;
    setProblem(
      `${issue.path.join('.') || 'the file'}: ${issue.message}. Send GeoJSON: a FeatureCollection of polygons and lines, in degrees.`,
    );
  };
  return (
    <Disclosure title={own ? 'The ground is the station’s own' : 'Another ground'}>
      <Text size="small" quiet>
        GeoJSON of land as polygons, and of lines. A feature may have a name, and regions as a guide calls them: they are lit
        where a specimen’s kind occurs.
      </Text>
      {problem && (
        <Notice kind="problem" title="It cannot be drawn">
          {problem}
        </Notice>
      )}
      {write.error && <Failed error={write.error} />}
      <Row>
        <Button
          small
          label="Choose GeoJSON"
          busy={write.isPending}
          onPress={() => void pickFile('.geojson,.json,application/geo+json').then((file) => file && take(file))}
        />
        {own && <Button small kind="quiet" label="The Tessary Isles again" onPress={() => write.mutate(null)} />}
      </Row>
    </Disclosure>
  );
}
