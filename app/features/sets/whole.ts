import type { SetAnswer, ShownItem } from '@plesion/contract/sets';
import type { Item } from '@plesion/core/practice';

/** An item as it is shown; what it is, only as far as it is told. */
export const whole = ({ readings, known = '', ...item }: ShownItem, told?: SetAnswer['told']): Item => ({
  ...item,
  truth: {
    form: '',
    group: told?.truth ?? known,
    readings,
    best: told?.best ?? { kind: 'untold', groups: [], p: 0 },
  },
});
