import type { ReactNode } from 'react';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';

/** A character pulled up over the bench on a phone. */
export const CharacterPanel = ({ title, onClose, children }: { title: string; onClose: () => void; children: ReactNode }) => (
  <Dialog title={title} onClose={onClose} foot={<Button kind="main" label="Done" onPress={onClose} />}>
    {children}
  </Dialog>
);
