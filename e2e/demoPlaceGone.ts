import { empty } from './demoPlace';

export default empty;
