import { BenchPlace } from '../features/bench/BenchPlace';

export default BenchPlace;
