import { RequestProblem } from '@plesion/contract';
import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { z } from 'zod';
import { forgetForms } from '../lib/keptForm';
import { useKeptForm } from '../lib/useKeptForm';
import { choose, press, shown, type } from '../test/showScreen';
import { ChoiceGroup } from './ChoiceGroup';
import { Form, FormEnd, FormPart } from './Form';
import { FormTextField } from './FormTextField';

const Typed = z.object({ name: z.string(), least: z.string(), most: z.string(), kind: z.string().optional(), note: z.string() });
type Typed = z.infer<typeof Typed>;

const first = (): Typed => ({ name: '', least: '', most: '', note: '' });

function Trial({ send, onSent }: { send: (typed: Typed) => unknown; onSent?: () => void }) {
  const form = useKeptForm({
    name: 'trial',
    typed: Typed,
    first,
    check: ({ name, least, most, kind }) => ({
      name: !name.trim() && 'Give it a name.',
      kind: !kind && 'Say of which kind it is.',
      least: least > most && 'It is more than the most.',
      most: least > most && 'It is less than the least.',
    }),
    send,
    onSent() {
      form.begin({ kind: 'egg' });
      onSent?.();
    },
  });
  return (
    <Form submit={form.submit}>
      <FormTextField control={form.control} name="name" label="Name" />
      <FormTextField control={form.control} name="least" label="Least" />
      <FormTextField control={form.control} name="most" label="Most" />
      <FormPart control={form.control} name="kind">
        <ChoiceGroup
          label="Kind"
          options={[
            { id: 'egg', label: 'an egg' },
            { id: 'pupa', label: 'a pupa' },
          ]}
          chosen={form.typed.kind ? [form.typed.kind] : []}
          onChange={([kind]) => form.change({ kind })}
        />
      </FormPart>
      <FormEnd form={form} label="Save" leave={{ label: 'Cancel', onLeave: () => onSent?.() }} />
    </Form>
  );
}

beforeEach(forgetForms);

describe('a form', () => {
  it('says all that is wrong at once, each at its field until it is mended there, and sends nothing', async () => {
    const send = jest.fn();
    render(<Trial send={send} />);
    await type('Least', '5');
    await type('Most', '3');
    await press('Save');
    await shown('Give it a name.');
    for (const says of ['Say of which kind it is.', 'It is more than the most.', 'It is less than the least.'])
      screen.getByText(says);
    await choose('Kind', 'a pupa');
    expect(screen.queryByText('Say of which kind it is.')).toBeNull();
    // One of two that are wrong together mends both.
    await type('Most', '7');
    expect(screen.queryByText('It is more than the most.')).toBeNull();
    expect(screen.queryByText('It is less than the least.')).toBeNull();
    screen.getByText('Give it a name.');
    expect(send).not.toHaveBeenCalled();
  });

  it('is sent by Enter once, forgets what was typed, and begins again with what it is given', async () => {
    let taken = () => undefined as void;
    const send = jest.fn(() => new Promise<void>((resolve) => (taken = resolve)));
    const onSent = jest.fn();
    render(<Trial send={send} onSent={onSent} />);
    await choose('Kind', 'a pupa');
    await type('Name', 'Moth 7');
    await act(async () => {
      fireEvent(screen.getByLabelText('Name'), 'submitEditing');
      fireEvent(screen.getByLabelText('Name'), 'submitEditing');
    });
    expect(send.mock.calls).toEqual([[{ name: 'Moth 7', least: '', most: '', kind: 'pupa', note: '' }]]);
    expect(onSent).not.toHaveBeenCalled();
    await act(async () => taken());
    expect(onSent).toHaveBeenCalledTimes(1);
    expect(screen.getByLabelText('Name').props.value).toBe('');
    expect(screen.getByRole('radio', { name: 'an egg' })).toBeChecked();
  });

  it('is there again after a reload, also after it was refused', async () => {
    const send = jest.fn().mockRejectedValue(new Error('There is no room.'));
    const { unmount } = render(<Trial send={send} />);
    await choose('Kind', 'an egg');
    await type('Name', 'Moth 7');
    await press('Save');
    await shown('There is no room.');
    await act(async () => unmount());
    render(<Trial send={send} />);
    expect(screen.getByLabelText('Name').props.value).toBe('Moth 7');
    expect(screen.getByRole('radio', { name: 'an egg' })).toBeChecked();
  });

  it('that is left forgets what was typed, and sends nothing', async () => {
    const [send, onLeave] = [jest.fn(), jest.fn()];
    const { unmount } = render(<Trial send={send} onSent={onLeave} />);
    await type('Name', 'Moth 7');
    await press('Cancel');
    expect(onLeave).toHaveBeenCalledTimes(1);
    await act(async () => unmount());
    render(<Trial send={send} />);
    expect(screen.getByLabelText('Name').props.value).toBe('');
    expect(send).not.toHaveBeenCalled();
  });

  it('is refused at the field that is named, and below it where that is not shown', async () => {
    const refusal = (field: string, message: string) => new RequestProblem(400, { code: 'bad-input', field, message });
    const send = jest.fn();
    render(<Trial send={send} />);
    await choose('Kind', 'an egg');
    await type('Name', 'Moth 7');
    send.mockRejectedValueOnce(refusal('kept.name', 'It is taken.'));
    await press('Save');
    await shown('It is taken.');
    expect(screen.getByLabelText('Name').props['aria-invalid']).toBe(true);
    send.mockRejectedValueOnce(refusal('kept.note', 'The note is too long.'));
    await press('Save');
    await shown('The note is too long.');
    expect(screen.queryByText('It is taken.')).toBeNull();
    send.mockRejectedValueOnce(refusal('kept[2].elsewhere', 'It is not to be.'));
    await press('Save');
    await shown('It is not to be.');
    expect(send).toHaveBeenCalledTimes(3);
  });
});
