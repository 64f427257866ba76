import { answerEndpoints } from './endpoints/answers';
import { auditEndpoints } from './endpoints/audit';
import { authoringEndpoints } from './endpoints/authoring';
import { colonyEndpoints } from './endpoints/colony';
import { conversationEndpoints } from './endpoints/conversations';
import { earlierEndpoints } from './endpoints/earlier';
import { everyday } from './endpoints/everyday';
import { fieldworkEndpoints } from './endpoints/fieldwork';
import { heredityEndpoints } from './endpoints/heredity';
import { importEndpoints } from './endpoints/import';
import { mapEndpoints } from './endpoints/map';
import { officeEndpoints } from './endpoints/office';
import { opinionEndpoints } from './endpoints/opinions';
import { ownEndpoints } from './endpoints/own';
import { passkeyEndpoints } from './endpoints/passkeys';
import { peopleEndpoints } from './endpoints/people';
import { practiceEndpoints } from './endpoints/practice';
import { reviewEndpoints } from './endpoints/review';
import { setEndpoints } from './endpoints/sets';
import { sharingEndpoints } from './endpoints/sharing';
import { verificationEndpoints } from './endpoints/verifications';

export type { Endpoint } from './endpoints/endpoint';

/** The wire: everything the server answers, and with what. */
export const endpoints = {
  ...everyday,
  ...fieldworkEndpoints,
  ...importEndpoints,
  ...officeEndpoints,
  ...mapEndpoints,
  ...practiceEndpoints,
  ...passkeyEndpoints,
  ...peopleEndpoints,
  ...setEndpoints,
  ...sharingEndpoints,
  ...verificationEndpoints,
  ...opinionEndpoints,
  ...conversationEndpoints,
  ...answerEndpoints,
  ...reviewEndpoints,
  ...ownEndpoints,
  ...authoringEndpoints,
  ...heredityEndpoints,
  ...colonyEndpoints,
  ...auditEndpoints,
  ...earlierEndpoints,
};

export type Endpoints = typeof endpoints;
export type EndpointName = keyof Endpoints;
