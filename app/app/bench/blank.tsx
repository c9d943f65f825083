export { BlankCards as default } from '../../features/bench/print/BlankCards';
