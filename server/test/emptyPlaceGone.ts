import { empty } from './emptyPlace';

export default empty;
