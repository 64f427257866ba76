import type { Invitation, MadeInvitation, NewInvitation } from '@plesion/contract/people';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { INVITATIONS, peopleApi } from './peopleApi';

/** Links that bring people in: made, told once, and withdrawn. */
export function useInvite() {
  const client = useQueryClient();
  const [made, setMade] = useState<MadeInvitation>();
  const again = () => client.invalidateQueries({ queryKey: INVITATIONS });
  const make = useMutation({
    mutationFn: (body: NewInvitation) => peopleApi('invite', { body }),
    onSuccess: setMade,
    onSettled: again,
  });
  const withdraw = useMutation({
    mutationFn: (id: Invitation['id']) => peopleApi('withdrawInvitation', { params: { id } }),
    onSuccess: (_, id) => setMade((told) => (told?.id === id ? undefined : told)),
    onSettled: again,
  });
  return {
    made,
    make: make.mutate,
    making: make.isPending,
    withdraw: withdraw.mutate,
    problem: make.error ?? withdraw.error,
  };
}
