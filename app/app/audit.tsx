import { AuditScreen } from '../features/audit/AuditScreen';

export default AuditScreen;
