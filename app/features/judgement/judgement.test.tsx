import type { Reading, Situation } from '@plesion/core/observation';
import { standingOf } from '@plesion/core/evidence';
import { compiledFor, type Guide, type SourcePolicy, type Judgement } from '@plesion/core/guide';
import { ledgeCrabs, tentCones } from '@plesion/demo';
import { fireEvent, render, screen } from '@testing-library/react-native';
import { DangerNotice, NotAmongDangerous } from './DangerNotice';
import { DisputesSheet } from './DisputesSheet';
import { FirmnessSheet } from './FirmnessSheet';
import { asKind, excludedOf, followingFirst, orderOf, toggled, weighted } from './policy';
import { sayScore } from './sayScore';
import { SetAsideSheet } from './SetAsideSheet';
import { WeighingSheet } from './WeighingSheet';

// What practice says is looked at by its own test.
jest.mock('./OwnReading', () => ({ OwnReading: () => null }));

const state = (character: string, ...states: string[]): Reading => ({ id: character, character, states });
const REEF: Situation = { region: 'outer-reefs', habitat: 'slab', views: ['back', 'alive'], distance: 'near', handling: 'look' };
const tented = [state('pattern', 'tents'), state('base-stain', 'rose'), state('tent-size', 'coarse')];
const judged = (readings: Reading[], situation: Situation = REEF, judgement: Judgement = {}, guide: Guide = tentCones) =>
  standingOf(compiledFor(guide, situation, judgement), situation, readings);

describe('the danger notice', () => {
  it('says what it is, how possible, what to do, and that it is withheld', () => {
    render(<DangerNotice guide={tentCones} answer={judged(tented)} />);
    expect(screen.getByTestId('danger').props.role).toBe('alert');
    expect(screen.getByText('Danger')).toBeTruthy();
    expect(screen.getByText(/^venom · possible, \d+ in 100$/)).toBeTruthy();
    expect(screen.getByText(/Keep away: do not touch it.*medical help/)).toBeTruthy();
    expect(screen.getByText(/Local law decides/)).toBeTruthy();
    expect(screen.getByText(/Close characters are withheld/)).toBeTruthy();
  });

  it('can be folded to a line and never put away', () => {
    render(<DangerNotice guide={tentCones} answer={judged(tented)} />);
    fireEvent.press(screen.getByText('less'));
    expect(screen.queryByText(/Keep away/)).toBeNull();
    expect(screen.getByText('Danger')).toBeTruthy();
    expect(screen.queryByLabelText(/close|dismiss|hide/i)).toBeNull();
    fireEvent.press(screen.getByText('more'));
    expect(screen.getByText(/Keep away/)).toBeTruthy();
  });

  it('opens again when another danger comes up', () => {
    const { rerender } = render(<DangerNotice guide={tentCones} answer={judged(tented)} />);
    fireEvent.press(screen.getByText('less'));
    const both = judged([state('shoulder', 'knobbed', 'rounded')]);
    expect(both.hazards).toHaveLength(2);
    rerender(<DangerNotice guide={tentCones} answer={both} />);
    expect(screen.getAllByText(/Keep away/)).toHaveLength(2);
    expect(screen.getByText(/^Turbiconus coronax: venom, /)).toBeTruthy();
  });

  it('of a slight kind begins as a line, and so does one that was shown a moment ago', () => {
    const slight = judged(
      [state('abdomen', 'narrow'), { character: 'carapace-width', value: 34 }, state('front-edge', 'three-teeth')],
      {},
      {},
      ledgeCrabs,
    );
    render(<DangerNotice guide={ledgeCrabs} answer={slight} />);
    expect(screen.getByText('Take care')).toBeTruthy();
    expect(screen.queryByText(/draws blood/)).toBeNull();
    fireEvent.press(screen.getByText('more'));
    expect(screen.getByText(/draws blood/)).toBeTruthy();
    screen.unmount();
    render(<DangerNotice guide={tentCones} answer={judged(tented)} folded />);
    expect(screen.getByText('Danger')).toBeTruthy();
    expect(screen.queryByText(/Keep away/)).toBeNull();
  });

  it('is not there where there is no danger', () => {
    render(<DangerNotice guide={ledgeCrabs} answer={judged([], {}, {}, ledgeCrabs)} />);
    expect(screen.queryByTestId('danger')).toBeNull();
  });

  it('once no dangerous form is left says so, and no more than that', () => {
    const weaver = judged(
      [
        ...tented.slice(0, 2),
        state('tent-size', 'fine'),
        state('spire-outline', 'domed'),
        { character: 'aperture-ratio', value: 0.135 },
      ],
      {
        subject: 'dead',
        region: 'lagoons',
      },
    );
    render(<NotAmongDangerous guide={tentCones} answer={weaver} />);
    expect(screen.getByText('Not among the dangerous forms of this guide, if the readings are right.')).toBeTruthy();
    screen.unmount();
    render(<NotAmongDangerous guide={tentCones} answer={judged(tented)} />);
    expect(screen.toJSON()).toBeNull();
    screen.unmount();
    render(
      <NotAmongDangerous
        guide={{ ...ledgeCrabs, taxa: ledgeCrabs.taxa.map((t) => ({ ...t, hazards: undefined })) }}
        answer={weaver}
      />,
    );
    expect(screen.toJSON()).toBeNull();
  });
});

describe('how firmly it stands', () => {
  const show = (answer = judged(tented), readings = tented) => {
    const onOpen = jest.fn();
    render(<FirmnessSheet guide={tentCones} answer={answer} readings={readings} onOpen={onOpen} />);
    return onOpen;
  };

  it('names the reading it rests on, and the traps with their overlap', () => {
    show();
    expect(screen.getByTestId('firmness')).toHaveTextContent(/^Rests on one reading: without the size of the tents/);
    expect(screen.getAllByText('trap').length).toBeGreaterThan(0);
    expect(screen.getByText(/^Stain at the tip of the base: famous, but \d+ in 100 alike here\.$/)).toBeTruthy();
  });

  it('opens the reading whose loss is shown', () => {
    const onOpen = show();
    fireEvent.press(screen.getByLabelText(/^Without Size of the tents: Turbiconus lenior$/));
    expect(onOpen).toHaveBeenCalledWith('tent-size');
  });

  it('says when two looks contradict each other, and when nothing fits', () => {
    const twice = [
      state('pattern', 'tents'),
      { ...state('pattern', 'bands'), id: 'again' },
      state('shoulder', 'knobbed'),
      state('aperture-colour', 'violet'),
      state('siphon', 'red-tipped'),
    ];
    const answer = judged(twice, { circumstances: ['crawling'] });
    show(answer, twice);
    expect(screen.getByText('Two looks at the pattern of the body say different things. Look a third time.')).toBeTruthy();
    screen.unmount();
    show({ ...answer, fit: { ...answer.fit, poor: true, text: 'Best of a bad lot.' } }, twice);
    expect(screen.getByText('It does not fit well')).toBeTruthy();
  });

  it('says that two readings pull in opposite directions', () => {
    const answer = judged(tented);
    show({ ...answer, robustness: { ...answer.robustness, contradictions: [{ readings: [0, 2], kind: 'opposed' }] } });
    expect(screen.getByText(/The pattern of the body and the size of the tents pull hard in opposite directions/)).toBeTruthy();
  });

  it('tells a possible cross with its share', () => {
    const crossed = judged(tented, REEF, { cross: ['vexillax', 'lenior'] });
    show({ ...crossed, crosses: crossed.crosses.map((cross) => ({ ...cross, p: 0.3, share: 0.62, spread: 0.15 })) });
    expect(
      screen.getByText(/A cross is possible, 30 in 100: 62 ± 15 in 100 of Turbiconus vexillax, the rest of Turbiconus lenior/),
    ).toBeTruthy();
  });

  it('has nothing to say before a reading', () => {
    show(judged([]), []);
    expect(screen.toJSON()).toBeNull();
  });
});

describe('what is set aside', () => {
  it('stands under the reason it shares', () => {
    render(<SetAsideSheet guide={tentCones} answer={judged(tented)} />);
    expect(screen.getByText(/withheld while a dangerous one is possible$/)).toBeTruthy();
    expect(screen.getByText(/^Outer lip, Opening ÷ width of the shell/)).toBeTruthy();
    expect(screen.getByText('only when crawling, tube out')).toBeTruthy();
  });

  it('is no sheet where nothing is', () => {
    render(<SetAsideSheet guide={tentCones} answer={{ ...judged(tented), setAside: [] }} />);
    expect(screen.toJSON()).toBeNull();
  });
});

describe('where the sources disagree', () => {
  const readings = [state('pattern', 'tents'), state('spire-outline', 'straight'), state('tent-size', 'fine')];
  const show = (judgement: Judgement = {}) => {
    const onJudge = jest.fn();
    render(<DisputesSheet guide={tentCones} answer={judged(readings, {}, judgement)} judgement={judgement} onJudge={onJudge} />);
    return onJudge;
  };

  it('shows what both say, and what following either would make of it', () => {
    show();
    expect(screen.getByText('bulging always')).toBeTruthy();
    expect(screen.getByText('straight often, bulging sometimes')).toBeTruthy();
    expect(screen.getAllByText(/^by it, Turbiconus lenior is \d+ in 100$/)).toHaveLength(2);
  });

  it('lets one choose, and keeps what was chosen before', () => {
    const onJudge = show({ treatment: 'mereth' });
    fireEvent.press(screen.getByLabelText('Follow Mereth’s reef survey first'));
    expect(onJudge).toHaveBeenCalledWith({
      treatment: 'mereth',
      policy: { kind: 'prefer', order: ['reef-survey', 'shell-book'] },
    });
  });
});

describe('how it is weighed', () => {
  const show = (judgement: Judgement = {}, guide = tentCones) => {
    const onJudge = jest.fn();
    render(<WeighingSheet guideId="g" guide={guide} answer={judged(tented)} judgement={judgement} onJudge={onJudge} />);
    fireEvent.press(screen.getByLabelText('Change how it is weighed'));
    return onJudge;
  };

  it('is said in a sentence', () => {
    show();
    expect(screen.getByText('Orvane’s shell book before Mereth’s reef survey.')).toBeTruthy();
    screen.unmount();
    show({ policy: { kind: 'pool', weights: {}, exclude: ['reef-survey'] }, treatment: 'mereth', cross: ['vexillax', 'lenior'] });
    expect(
      screen.getByText(
        'Pooled: Orvane’s shell book; without Mereth’s reef survey; names as Mereth: one hoop cone; with the cross T. vexillax × T. lenior.',
      ),
    ).toBeTruthy();
  });

  it('changes the order, the way and the weight of sources, and leaves one out', () => {
    const onJudge = show();
    fireEvent.press(screen.getByLabelText('Ask Mereth’s reef survey first'));
    expect(onJudge).toHaveBeenLastCalledWith({ policy: { kind: 'prefer', order: ['reef-survey', 'shell-book'] } });
    fireEvent.press(screen.getByLabelText('pooled by weight'));
    expect(onJudge).toHaveBeenLastCalledWith({ policy: { kind: 'pool', weights: { 'shell-book': 1, 'reef-survey': 1 } } });
    fireEvent.press(screen.getByLabelText('Leave out Mereth’s reef survey'));
    expect(onJudge).toHaveBeenLastCalledWith({ policy: { kind: 'prefer', order: ['shell-book'], exclude: ['reef-survey'] } });
    screen.unmount();
    const pooled = show({ policy: { kind: 'pool', weights: { 'shell-book': 1, 'reef-survey': 1 } } });
    fireEvent.press(screen.getByLabelText('More weight for Mereth’s reef survey'));
    expect(pooled).toHaveBeenLastCalledWith({ policy: { kind: 'pool', weights: { 'shell-book': 1, 'reef-survey': 2 } } });
  });

  it('chooses the names, explained, and a cross of the two in front', () => {
    const onJudge = show();
    fireEvent.press(screen.getByLabelText('Mereth: one hoop cone'));
    expect(onJudge).toHaveBeenLastCalledWith({ treatment: 'mereth' });
    expect(screen.getByText('Could it be a cross of T. vexillax and T. lenior?')).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Consider it'));
    expect(onJudge).toHaveBeenLastCalledWith({ cross: ['vexillax', 'lenior'] });
  });

  it('goes back to what the guide has', () => {
    const onJudge = show({ treatment: 'mereth', cross: ['vexillax', 'lenior'] });
    expect(screen.getByText(/Sinks both into Turbiconus annulax/)).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Remove it'));
    expect(onJudge).toHaveBeenLastCalledWith({ treatment: 'mereth', cross: undefined });
    fireEvent.press(screen.getByLabelText('All as the guide has it'));
    expect(onJudge).toHaveBeenLastCalledWith({});
  });
});

describe('policies', () => {
  const book: SourcePolicy = { kind: 'prefer', order: ['shell-book'] };

  it('put every source in order, named or not', () => {
    expect(orderOf(tentCones, book)).toEqual(['shell-book', 'reef-survey']);
    expect(orderOf(tentCones, { kind: 'pool', weights: {} })).toEqual(['shell-book', 'reef-survey']);
  });

  it('following a source takes it back if it was left out', () => {
    const out: SourcePolicy = { kind: 'prefer', order: ['shell-book'], exclude: ['reef-survey'] };
    expect(followingFirst(tentCones, out, 'reef-survey')).toEqual({ kind: 'prefer', order: ['reef-survey', 'shell-book'] });
  });

  it('never leave out the last one', () => {
    const one = toggled(tentCones, undefined, 'reef-survey');
    expect(excludedOf(tentCones, one)).toEqual(['reef-survey']);
    expect(excludedOf(tentCones, toggled(tentCones, one, 'shell-book'))).toEqual(['reef-survey']);
    expect(excludedOf(tentCones, toggled(tentCones, one, 'reef-survey'))).toEqual([]);
  });

  it('keep weights within reason, and what is left out, from one way to the other', () => {
    let policy: SourcePolicy = { kind: 'pool', weights: { 'shell-book': 1, 'reef-survey': 1 }, exclude: ['shell-book'] };
    for (let i = 0; i < 9; i++) policy = weighted(tentCones, policy, 'reef-survey', 2);
    expect(policy).toMatchObject({ kind: 'pool', weights: { 'reef-survey': 8 }, exclude: ['shell-book'] });
    expect(asKind(tentCones, policy, 'prefer')).toEqual({ kind: 'prefer', order: ['reef-survey'], exclude: ['shell-book'] });
  });
});

describe('what a source says, as it says it', () => {
  const length = tentCones.characters.find(({ id }) => id === 'shell-length')!;
  const teeth = tentCones.characters.find(({ id }) => id === 'base-cords')!;
  it.each([
    [{ kind: 'range', range: '12–14' } as const, '12–14 mm'],
    [{ kind: 'values', mean: 12, sd: 1 } as const, '12 ± 1 mm'],
    [{ kind: 'applies', frequency: 'rarely' } as const, 'applies rarely'],
    [{ kind: 'comparison', relation: 'above', than: { taxon: 'lenior' } } as const, 'above lenior'],
  ])('%j', (value, text) => expect(sayScore(length, value)).toBe(text));
  it('counts', () => expect(sayScore(teeth, { kind: 'counts', counts: { 3: 0.4, 4: 'often' } })).toBe('3 40 in 100, 4 often'));
});
