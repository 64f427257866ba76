import { compileGuide } from '@plesion/core/guide';
import { ledgeCrabs, tentCones } from '@plesion/demo';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { Disputed } from './Disputed';
import { JudgingSheet } from './JudgingSheet';
import { NameSearch } from './NameSearch';
import { Hazards, OtherNames } from './TaxonNotes';

const mockApi = jest.fn();
const mockPush = jest.fn();
jest.mock('../../lib/api', () => ({ api: (...given: unknown[]) => mockApi(...given) }));
jest.mock('expo-router', () => ({ useRouter: () => ({ push: mockPush }) }));

const taxon = (id: string) => tentCones.taxa.find((t) => t.id === id)!;

describe('finding by any name', () => {
  const show = () =>
    render(
      <NameSearch
        guides={[
          { id: 'c', guide: tentCones },
          { id: 'l', guide: ledgeCrabs },
        ]}
      />,
    );

  it('leads a misleading name to the right page and says so', () => {
    show();
    fireEvent.changeText(screen.getByLabelText('Find by any name'), 'rose-tip');
    expect(screen.getByText('“rose-tip cone” is a misleading name of it. The lancer is rose-tipped just as often.')).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Turbiconus lenior, found as rose-tip cone'));
    expect(mockPush).toHaveBeenCalledWith({ pathname: '/guides/[id]/form', params: { id: 'c', form: 'lenior/adult' } });
  });

  it('searches every guide, and leads a species with subspecies to the first of them', () => {
    show();
    fireEvent.changeText(screen.getByLabelText('Find by any name'), 'saddled');
    fireEvent.press(screen.getByLabelText('Petralda velloma, found as saddled ledge crab'));
    expect(mockPush).toHaveBeenLastCalledWith(
      expect.objectContaining({
        params: expect.objectContaining({ id: 'l', form: expect.stringMatching(/^velloma-velloma\//) }),
      }),
    );
  });

  it('says when nothing has that name', () => {
    show();
    fireEvent.changeText(screen.getByLabelText('Find by any name'), 'walrus');
    expect(screen.getByText('No taxon here has that name. Try fewer letters.')).toBeTruthy();
  });
});

describe('the notes on a taxon', () => {
  it('tell its other names for what they are', () => {
    render(<OtherNames taxon={taxon('vexillax')} />);
    expect(screen.getByText(/“Turbiconus textor”.* is a former name of it/)).toBeTruthy();
    expect(screen.getByText(/“red lancer”.* is a nickname of it/)).toBeTruthy();
  });

  it('keep hazard and law in sight', () => {
    render(<Hazards taxon={taxon('vexillax')} />);
    expect(screen.getByText('Dangerous')).toBeTruthy();
    expect(screen.getByText(/sting can stop the breath.*permit/)).toBeTruthy();
    screen.unmount();
    render(<Hazards taxon={taxon('coronax')} />);
    expect(screen.getByText('Take care')).toBeTruthy();
    screen.unmount();
    render(<Hazards taxon={taxon('gemellus')} />);
    expect(screen.toJSON()).toBeNull();
  });

  it('show both sources where they contradict each other, and nothing elsewhere', () => {
    const compiled = compileGuide(tentCones);
    const lenior = compiled.forms.findIndex(({ id }) => id === 'lenior/adult');
    const character = (id: string) => tentCones.characters.find((c) => c.id === id)!;
    render(<Disputed guide={tentCones} compiled={compiled} character={character('spire-outline')} form={lenior} />);
    expect(screen.getByText('Orvane’s shell book: bulging always')).toBeTruthy();
    expect(screen.getByText('Mereth’s reef survey: straight often, bulging sometimes')).toBeTruthy();
    screen.unmount();
    render(<Disputed guide={tentCones} compiled={compiled} character={character('shoulder')} form={lenior} />);
    expect(screen.toJSON()).toBeNull();
  });
});

describe('how names are called', () => {
  const show = (guide = tentCones) => {
    render(
      <QueryClientProvider client={new QueryClient()}>
        <JudgingSheet id="c" guide={guide} />
      </QueryClientProvider>,
    );
  };

  it('explains the school, the cost of mistakes, the treatments and the disagreements', () => {
    show();
    expect(screen.getByText(/A name needs 95 in 100, 3 independent marks, and must hold at 80 in 100/)).toBeTruthy();
    expect(screen.getByText('To miss Turbiconus vexillax counts 25 times: its sting is dangerous.')).toBeTruthy();
    expect(screen.getByText(/Sinks both into Turbiconus annulax/)).toBeTruthy();
    expect(screen.getByText(/contradict each other in \d+ places?/)).toBeTruthy();
  });

  it('is chosen per guide: another school is a new version of it', async () => {
    mockApi.mockResolvedValue({ id: 'c', guide: tentCones });
    show();
    await act(async () => fireEvent.press(screen.getByLabelText('one diagnostic mark')));
    const [name, { body }] = mockApi.mock.calls[0];
    expect(name).toBe('importGuide');
    expect(body.settings.call.school).toBe('diagnostic');
    expect({ ...body, settings: tentCones.settings }).toEqual(tentCones);
    mockApi.mockClear();
    await act(async () => fireEvent.press(screen.getByLabelText('weigh all marks')));
    expect(mockApi).not.toHaveBeenCalled();
  });
});
