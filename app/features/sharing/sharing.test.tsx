import type { GuideSharing, Offer } from '@plesion/contract/sharing';
import { screen, waitFor } from '@testing-library/react-native';
import { forgetForms } from '../../lib/keptForm';
import { fakeStation, type FakeStation, OFFLINE } from '../../test/fakeStation';
import { press, showScreen, shown, type } from '../../test/showScreen';
import { OffersSheet } from './OffersSheet';
import { SharingCard } from './SharingCard';
import { SharingTag } from './SharingTag';
import { WithdrawnNotice } from './WithdrawnNotice';

let mockStation: FakeStation;
let mockRole = 'keeper';
const mockPush = jest.fn();
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../session/useSession', () => ({
  useSession: () => ({ account: { name: 'mira', role: mockRole }, station: { id: 's' } }),
}));
jest.mock('expo-router', () => ({ useRouter: () => ({ push: mockPush }) }));

const GUIDE = '0192f3a0-0000-7001-8000-0000000000a1';
const STATION = '0192f3a0-0000-7001-8000-0000000000b1';
const AT = '2026-05-12T10:00:00Z';
const sent = (name: string) => mockStation.asked.filter((one) => one.name === name).map(({ given }) => given);

let stands: GuideSharing;
beforeEach(() => {
  forgetForms();
  mockRole = 'keeper';
  mockPush.mockClear();
  stands = { guideId: GUIDE };
  mockStation = fakeStation();
  mockStation.answer('sharing', () => ({ guides: [stands] }));
  mockStation.answer('offerGuide', ({ body }) =>
    body!.offered ? { guideId: GUIDE, offered: { at: AT, by: 'mira' } } : { guideId: GUIDE },
  );
  mockStation.answer('withdrawGuide', ({ body }) =>
    body!.why === null ? { guideId: GUIDE } : { guideId: GUIDE, withdrawn: { at: AT, by: 'mira', why: body!.why } },
  );
});

describe('a guide of our own', () => {
  it('is offered by one press, and no longer by another', async () => {
    await showScreen(<SharingCard guideId={GUIDE} />);
    await shown(/Seen by this station alone/);
    await press('Offer to other stations');
    await shown(/Offered to every station of this server since 12 May 2026, by mira/);
    await press('Offer it no longer');
    await shown(/Seen by this station alone/);
    expect(sent('offerGuide').map(({ body }) => body)).toEqual([{ offered: true }, { offered: false }]);
  });

  it('is withdrawn only with why, says so, and is put back in use', async () => {
    await showScreen(
      <>
        <WithdrawnNotice guideId={GUIDE} />
        <SharingTag guideId={GUIDE} />
        <SharingCard guideId={GUIDE} />
      </>,
    );
    await shown(/Seen by this station alone/);
    expect(screen.queryByText('Withdrawn')).toBeNull();
    await press('Withdraw this guide');
    await press('Withdraw it, here and wherever it was imported');
    expect(sent('withdrawGuide')).toEqual([]);
    await type('Why it is not to be used any more', 'Two of its species are one.');
    await press('Withdraw it, here and wherever it was imported');
    await shown('This guide is withdrawn');
    await shown('Two of its species are one. (mira, 12 May 2026). Names given with it stay as they are.');
    await shown('Withdrawn');
    await press('Restore it');
    await waitFor(() => expect(screen.queryByText('This guide is withdrawn')).toBeNull());
  });

  it('is nobody’s to offer who may not, and nothing is said to them', async () => {
    mockRole = 'member';
    await showScreen(<SharingCard guideId={GUIDE} />);
    await waitFor(() => expect(sent('sharing')).toHaveLength(1));
    expect(screen.queryByText('Other stations')).toBeNull();
  });

  it('says why it was not offered', async () => {
    await showScreen(<SharingCard guideId={GUIDE} />);
    await shown(/Seen by this station alone/);
    mockStation.fail(OFFLINE);
    await press('Offer to other stations');
    await shown(/cannot be reached/);
  });
});

describe('a guide from another station', () => {
  beforeEach(() => {
    stands = { guideId: GUIDE, taken: { station: STATION, from: 'Quell', version: 1, newer: 3 } };
    mockStation.answer('takeOffer', () => {
      stands = { guideId: GUIDE, taken: { station: STATION, from: 'Quell', version: 3 } };
      const { guides } = mockStation.api('guides', {}) as unknown as { guides: object[] };
      return { ...guides, id: GUIDE, guide: { plan: undefined, characters: [] } };
    });
  });

  it('says from where, and takes in a newer version', async () => {
    await showScreen(
      <>
        <SharingTag guideId={GUIDE} />
        <SharingCard guideId={GUIDE} />
      </>,
    );
    await shown('from “Quell”, which offers version 3');
    await press('Import version 3');
    await shown('from “Quell”');
    expect(sent('takeOffer')).toEqual([{ params: { id: GUIDE }, body: { station: STATION } }]);
    // It is not ours to offer.
    expect(screen.queryByText('Offer to other stations')).toBeNull();
  });

  it('that was withdrawn there says so here', async () => {
    stands.taken!.withdrawn = { at: AT, by: 'ann', why: 'It was wrong.' };
    await showScreen(<WithdrawnNotice guideId={GUIDE} />);
    await shown('This guide is withdrawn by “Quell”, where it was imported from');
  });
});

describe('what others offer', () => {
  const offer: Offer = {
    ...{ id: GUIDE, title: 'Sand snails', summary: 'Four of them.', group: 'snails', area: 'Quell', version: 2, forms: 4 },
    ...{ characters: 9, keys: 0, station: STATION, from: 'Quell', by: 'ann', at: AT },
  };

  it('is listed, and imported by one press; what is here is opened', async () => {
    mockStation.answer('offers', () => ({ offers: [offer, { ...offer, id: STATION, title: 'Sand worms', keys: 2, here: 2 }] }));
    mockStation.answer('takeOffer', () => ({ id: GUIDE, guide: { characters: [] } }));
    await showScreen(<OffersSheet />);
    await shown('“Quell”, ann, 12 May 2026 · 4 forms · 9 characters · version 2');
    screen.getByText('“Quell”, ann, 12 May 2026 · 4 forms · 9 characters · 2 keys · version 2');
    await press('Import it: Sand snails');
    expect(sent('takeOffer')).toEqual([{ params: { id: GUIDE }, body: { station: STATION } }]);
    await press('It is here: Sand worms');
    expect(mockPush).toHaveBeenCalledWith(`/guides/${STATION}`);
  });

  it('is a learner’s to read, and nobody’s to press who may not', async () => {
    mockRole = 'learner';
    mockStation.answer('offers', () => ({ offers: [offer] }));
    await showScreen(<OffersSheet />);
    await shown('Sand snails');
    expect(screen.queryByLabelText('Import it: Sand snails')).toBeNull();
  });

  it('takes no room where there is nothing', async () => {
    mockStation.answer('offers', () => ({ offers: [] }));
    await showScreen(<OffersSheet />);
    await waitFor(() => expect(sent('offers')).toHaveLength(1));
    expect(screen.queryByText('Offered by other stations')).toBeNull();
  });
});
