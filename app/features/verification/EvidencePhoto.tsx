import { urlOf } from '@plesion/contract';
import { StyleSheet } from 'react-native';
import { colour, radius } from '../../theme';
import { Photo } from '../../ui/Photo';

/** A picture that shows how it turned out. */
export const EvidencePhoto = ({ hash }: { hash: string }) => (
  <Photo
    source={{ uri: urlOf('photo', { params: { hash }, query: { size: 'thumb' } }) }}
    style={styles.photo}
    accessibilityLabel="What shows it"
  />
);

const styles = StyleSheet.create({
  photo: { width: 120, height: 90, borderRadius: radius.s, backgroundColor: colour.mist },
});
