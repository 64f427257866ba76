import { Notice } from '../../ui/Notice';

/** Said where a photo that is to be measured on does not come. */
export const PhotoFailed = () => (
  <Notice kind="problem" title="The photo cannot be shown">
    It could not be fetched, or is no picture. Try again when there is a connection.
  </Notice>
);
