/** In a file of its own: what pages load themselves would else be carried to the door, however late it is asked for. */
export { bookKinds } from './bookDrafts';
