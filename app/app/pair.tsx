export { PairScreen as default } from '../features/people/PairScreen';
