import { PeopleScreen } from '../features/people/PeopleScreen';

export default PeopleScreen;
