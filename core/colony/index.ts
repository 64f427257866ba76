export { isOpen, type Reminder, remindersOf } from './reminders';
export type * from './schema';
