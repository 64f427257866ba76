import { filledOf, fits, type Role, withPlaces } from '@plesion/core/authoring';
import type { Protocol } from '@plesion/core/guide';
import { useState } from 'react';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { ROLE_WORDS } from './protocolWords';

interface Props {
  role: Role;
  protocol: Protocol;
  onChange: (protocol: Protocol) => void;
}

/** Which places something is worked out of, in one of its parts; what is chosen half is kept until it will do. */
export function RolePlaces({ role, protocol, onChange }: Props) {
  const [half, setHalf] = useState<{ ids: string[]; says: string }>();
  const fit = protocol.landmarks.filter((place) => fits(role.of, place));
  const had = filledOf(protocol.quantity)[role.key];
  const many = role.of === 'line';
  // One that nothing else could be needs no choice.
  if (fit.length <= had.length && !many) return null;
  if (role.may && fit.length < 2) return null;
  const choose = (ids: string[]) => {
    const next = withPlaces(protocol, role.key, ids);
    setHalf(next.ok ? undefined : { ids, says: next.problems[0].message });
    if (next.ok) onChange(next.value);
  };
  return (
    <>
      <ChoiceGroup
        many={many}
        label={ROLE_WORDS[role.key]}
        options={fit.map(({ id, label }) => ({ id, label }))}
        chosen={half?.ids ?? had}
        onChange={choose}
      />
      {half && <Notice kind="problem">{half.says}</Notice>}
    </>
  );
}
