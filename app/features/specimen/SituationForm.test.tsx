import { ledgeCrabs } from '@plesion/demo';
import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { forgetForms } from '../../lib/keptForm';
import { SituationForm } from './SituationForm';
import { sayDate } from '../../lib/dates';
import { saySituation } from '../records/situationText';

const show = (situation = {}) => {
  const onSubmit = jest.fn();
  render(<SituationForm guide={ledgeCrabs} label="L4" situation={situation} submitLabel="Go" about="s" onSubmit={onSubmit} />);
  return onSubmit;
};
const submit = () => act(async () => fireEvent.press(screen.getByLabelText('Go')));

describe('the situation', () => {
  beforeEach(forgetForms);

  it('half typed is there again after a reload, wrong parts of it too, and gone once it was taken', async () => {
    show();
    fireEvent.changeText(screen.getByLabelText('Place'), 'Skerry B');
    fireEvent.changeText(screen.getByLabelText('Latitude'), 'forty');
    screen.unmount();
    const onSubmit = show();
    expect(screen.getByLabelText('Place').props.value).toBe('Skerry B');
    expect(screen.getByLabelText('Latitude').props.value).toBe('forty');
    fireEvent.changeText(screen.getByLabelText('Latitude'), '');
    await submit();
    expect(onSubmit).toHaveBeenCalledWith('L4', { place: 'Skerry B' });
    screen.unmount();
    show();
    expect(screen.getByLabelText('Place').props.value).toBe('');
  });

  it('gives what was said and nothing else', async () => {
    const onSubmit = show({ date: '2026-05-12', distance: 'hand' });
    fireEvent.changeText(screen.getByLabelText('Place'), 'Skerry Bar');
    fireEvent.changeText(screen.getByLabelText('Latitude'), '-41,2');
    fireEvent.changeText(screen.getByLabelText('Longitude'), '-28.1');
    fireEvent.press(screen.getByLabelText('Ostren'));
    await submit();
    expect(onSubmit).toHaveBeenCalledWith('L4', {
      date: '2026-05-12',
      distance: 'hand',
      place: 'Skerry Bar',
      latitude: -41.2,
      longitude: -28.1,
      region: 'ostren',
    });
  });

  it('offers the region that the coordinates lie in by the map, written with a true minus or a comma', async () => {
    const outline: [number, number][] = [
      [-28, -41.2],
      [-27.6, -41.2],
      [-27.6, -41],
      [-28, -41],
    ];
    const guide = {
      ...ledgeCrabs,
      regions: ledgeCrabs.regions.map((one) => (one.id === 'ostren' ? { ...one, outline } : one)),
    };
    const onSubmit = jest.fn();
    render(<SituationForm guide={guide} label="L4" situation={{}} submitLabel="Go" about="s" onSubmit={onSubmit} />);
    fireEvent.changeText(screen.getByLabelText('Latitude'), '−41,1');
    expect(screen.queryByText(/By the map/)).toBeNull();
    fireEvent.changeText(screen.getByLabelText('Longitude'), '-27.7');
    screen.getByText('By the map its coordinates lie in Ostren.');
    fireEvent.press(screen.getByLabelText('Say Ostren'));
    expect(screen.queryByText(/By the map/)).toBeNull();
    await submit();
    expect(onSubmit).toHaveBeenCalledWith('L4', { latitude: -41.1, longitude: -27.7, region: 'ostren' });
  });

  it('takes all views as given until one is taken away', async () => {
    const onSubmit = show();
    fireEvent.press(screen.getByLabelText('from below'));
    await submit();
    expect(onSubmit).toHaveBeenCalledWith('L4', { views: ['dorsal', 'front', 'alive'] });
  });

  it('leaves a part of the prior out when told to', async () => {
    const onSubmit = show();
    fireEvent.press(screen.getByLabelText('habitat', { exact: true }));
    await submit();
    expect(onSubmit).toHaveBeenCalledWith('L4', { switchedOff: ['habitat'] });
  });

  it.each([
    ['Date', '12 May', 'Write the date as 2026-05-12.'],
    ['Latitude', '95', 'Latitude is a number from −90 to 90.'],
    ['Longitude', 'west', 'Longitude is a number from −180 to 180.'],
    ['Latitude', '-41', 'Give both coordinates or neither.'],
  ])('says what is wrong with %s “%s”', async (field, text, problem) => {
    const onSubmit = show();
    fireEvent.changeText(screen.getByLabelText(field), text);
    await submit();
    expect(screen.getByText(problem)).toBeTruthy();
    expect(onSubmit).not.toHaveBeenCalled();
  });
});

describe('in words', () => {
  it('is place, date and nearness, as far as they are known', () => {
    expect(saySituation({ place: 'Skerry Bar', date: '2026-05-12', distance: 'far' })).toBe('Skerry Bar · 12 May 2026 · far off');
    expect(saySituation({ region: 'ostren' }, ledgeCrabs)).toBe('Ostren');
    expect(saySituation({})).toBe('');
  });

  it('no date is made up', () => {
    expect(sayDate(undefined)).toBeUndefined();
    expect(sayDate('2026-13-45')).toBeUndefined();
    expect(sayDate('2026-05-12', 'weekday')).toBe('Tuesday 12 May 2026');
  });
});
