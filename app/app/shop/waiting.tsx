export { WaitingScreen as default } from '../../features/fleets/WaitingScreen';
