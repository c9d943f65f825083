export { AuditScreen as default } from '../../features/people/AuditScreen';
