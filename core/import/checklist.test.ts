import { readChecklist } from '.';

const of = (csv: string) => {
  const read = readChecklist(new TextEncoder().encode(csv));
  if (!read.ok) throw new Error(read.problems[0].code);
  return { ...read.value, accepted: Object.fromEntries(read.value.names.map(({ name, accepted }) => [name, accepted])) };
};

it('synonyms are followed by id and by name, over several steps, to the name that is accepted', () => {
  const { accepted, notUnderstood, names } = of(
    [
      'taxonID,scientificName,acceptedNameUsageID,acceptedNameUsage,taxonRank,vernacularName',
      '1,Halistris sodalis,,,species,ring tern',
      '2,Sterna socia,1,,species,',
      '3,Larus socius,2,,species,',
      '4,Halistris comes,,Halistris sodalis,species,',
      '5,Old name,,A name that is not here,species,',
    ].join('\n'),
  );
  expect(accepted).toEqual({
    'Halistris sodalis': 'Halistris sodalis',
    'Sterna socia': 'Halistris sodalis',
    'Larus socius': 'Halistris sodalis',
    'Halistris comes': 'Halistris sodalis',
    'Old name': 'A name that is not here',
  });
  expect(notUnderstood).toEqual([]);
  expect(names[0]).toEqual({
    name: 'Halistris sodalis',
    accepted: 'Halistris sodalis',
    rank: 'species',
    vernacular: 'ring tern',
  });
});

it('what leads nowhere or in a circle stands for itself and is told; a name that stands twice is one', () => {
  const { accepted, notUnderstood } = of('taxonID;scientificName;acceptedNameUsageID\n1;A;2\n2;B;1\n3;C;99\n4;;1\n5;D;5\n6;d;1');
  expect(accepted).toEqual({ A: 'A', B: 'B', C: 'C', D: 'D' });
  expect(notUnderstood).toEqual([
    '1 rows without a name',
    '4 synonyms of a name that is not in the list, or of one another: they stand for themselves',
  ]);
});

it('an archive of taxa is read by its descriptor; others are refused', () => {
  const meta = (rowType: string) =>
    new TextEncoder().encode(
      `<archive><core fieldsTerminatedBy="\\t" ignoreHeaderLines="0" rowType="http://rs.tdwg.org/dwc/terms/${rowType}"><files><location>t.txt</location></files><id index="0"/>` +
        '<field index="1" term="http://rs.tdwg.org/dwc/terms/scientificName"/><field index="2" term="http://rs.tdwg.org/dwc/terms/acceptedNameUsageID"/></core></archive>',
    );
  const rows = new TextEncoder().encode('a\tOne\t\nb\tTwo\ta\n');
  const read = readChecklist(
    new Map([
      ['meta.xml', meta('Taxon')],
      ['t.txt', rows],
    ]),
  );
  expect(read).toMatchObject({ ok: true, value: { names: [{ name: 'One' }, { name: 'Two', accepted: 'One' }] } });
  expect(
    readChecklist(
      new Map([
        ['meta.xml', meta('Occurrence')],
        ['t.txt', rows],
      ]),
    ),
  ).toMatchObject({ ok: false, problems: [{ code: 'no-taxa' }] });
  expect(readChecklist(new Map())).toMatchObject({ ok: false, problems: [{ code: 'no-meta' }] });
  expect(readChecklist(new TextEncoder().encode('a,b\n1,2'))).toMatchObject({ ok: false, problems: [{ code: 'no-names' }] });
});
