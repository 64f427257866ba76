import { z } from 'zod';
import { page } from './device';
import { forgetForms, keptForm } from './keptForm';

const Typed = z.object({ name: z.string() });

describe('a form that is not taken yet', () => {
  beforeEach(forgetForms);

  it('is there again as it was left, each for itself', () => {
    keptForm('name.a', Typed).keep({ name: 'half a na' });
    expect(keptForm('name.a', Typed).read()).toEqual({ name: 'half a na' });
    expect(keptForm('name.b', Typed).read()).toBeUndefined();
  });

  it('is gone once it was taken', () => {
    const form = keptForm('name.a', Typed);
    form.keep({ name: 'whole' });
    form.forget();
    expect(form.read()).toBeUndefined();
  });

  it.each(['{"name":', '{"name":7}', 'null', '[]'])('of another version is not taken for one: %s', (text) => {
    page.write('plesion.form.name.a', text);
    expect(keptForm('name.a', Typed).read()).toBeUndefined();
  });

  it('is not there in another station, and other things are', () => {
    page.write('something.else', 'x');
    keptForm('name.a', Typed).keep({ name: 'mine' });
    forgetForms();
    expect(keptForm('name.a', Typed).read()).toBeUndefined();
    expect(page.read('something.else')).toBe('x');
  });
});
