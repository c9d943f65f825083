export { BenchScreen as default } from '../../features/bench/BenchScreen';
