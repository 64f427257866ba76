import type { Router } from 'express';
import type { Pool } from 'pg';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { notOfDemo } from '../session/ofDemo';
import { endOthers } from '../account/sessions';
import { enter } from '../session/routes';
import { describeSession } from '../session/service';
import type { Tries } from '../session/tries';
import { invite, invitedTo, join, listInvitations, withdrawInvitation } from './invitations';
import { listMembers, removeMember, setRole } from './members';

export function peopleRoutes(router: Router, em: () => Em, pool: Pool, tries: Tries): void {
  bind(router, em, 'members', async ({ em: own, caller }) => ({ members: await listMembers(own, caller) }));
  bind(router, em, 'setMember', async ({ em: own, caller, params, body }) => {
    await notOfDemo(own, caller);
    await setRole(own, caller, params.id, body.role);
    return { members: await listMembers(own, caller) };
  });
  bind(router, em, 'removeMember', async ({ em: own, caller, params }) => {
    await notOfDemo(own, caller);
    await removeMember(own, pool, caller, params.id);
    return {};
  });
  bind(router, em, 'invitations', async ({ em: own, caller }) => ({ invitations: await listInvitations(own, caller) }));
  bind(router, em, 'invite', async ({ em: own, caller, body }) => {
    await notOfDemo(own, caller);
    return invite(own, caller, body);
  });
  bind(router, em, 'withdrawInvitation', async ({ em: own, caller, params }) => {
    await withdrawInvitation(own, caller, params.id);
    return {};
  });
  bind(router, em, 'invitedTo', async ({ em: own, params, request }) => {
    await tries.enter(request);
    return invitedTo(own, params.token);
  });
  router.post('/api/invitations/links/:token', tries.station);
  bind(router, em, 'join', async ({ em: own, params, body, caller: known, request }) => {
    await tries.enter(request);
    const caller = await join(own, params.token, body, known);
    await enter(request, caller);
    // A new password signs out whoever knew the old one.
    if ('password' in body) await endOthers(pool, caller.personId, request.sessionID);
    return describeSession(own, caller);
  });
}
