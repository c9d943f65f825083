export { PracticeScreen as default } from '../../features/practice/PracticeScreen';
