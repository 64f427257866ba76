import { standingOf } from '@plesion/core/evidence';
import { compileGuide } from '@plesion/core/guide';
import { ledgeCrabs } from '@plesion/demo';
import { fireEvent, render, screen } from '@testing-library/react-native';
import { TaxonPick } from './TaxonPick';
import { VerdictList } from './VerdictList';

const answer = standingOf(compileGuide(ledgeCrabs), {}, [{ character: 'front-edge', states: ['three-teeth'] }]);

describe('verdicts', () => {
  it('are told level by level, in words', () => {
    render(<VerdictList verdicts={answer.call.verdicts} />);
    expect(screen.getAllByText(/ (yes|no): /)).toHaveLength(answer.call.verdicts.length);
    expect(screen.getByText(/^Species no: needs /)).toBeTruthy();
  });
});

describe('picking a name', () => {
  it('offers every taxon with its rank and probability', () => {
    const onPick = jest.fn();
    render(<TaxonPick label="Name" guide={ledgeCrabs} answer={answer} chosen="murica" onPick={onPick} />);
    expect(screen.getAllByRole('radio')).toHaveLength(ledgeCrabs.taxa.length);
    expect(screen.getByLabelText(/^Petralda murica, /)).toBeChecked();
    fireEvent.press(screen.getByLabelText(/^Petralda velloma ostrena, /));
    expect(onPick).toHaveBeenCalledWith('velloma-ostrena');
  });
});
