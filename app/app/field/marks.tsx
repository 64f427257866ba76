import { NaturalMarksPage } from '../../features/field/NaturalMarksPage';

export default function Route() {
  return <NaturalMarksPage />;
}
