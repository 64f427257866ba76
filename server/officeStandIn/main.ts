import { openOffice } from './office';

const { OFFICE_PORT, OFFICE_BOOKS } = process.env;
if (!OFFICE_PORT || !OFFICE_BOOKS)
  throw new Error('OFFICE_PORT and OFFICE_BOOKS are not set. Start Plesion with “npm start”, which sets them.');
const server = openOffice(OFFICE_BOOKS, () => new Date().toISOString().slice(0, 10)).listen(Number(OFFICE_PORT), '127.0.0.1');
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => server.close(() => process.exit(0)));
