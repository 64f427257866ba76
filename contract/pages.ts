import { z } from 'zod';

const as = z.enum(['pdf', 'png'], 'a page is made as pdf or png').optional();

export const PageQuery = z.strictObject({ as });

/** Forms parted by commas; a specimen whose situation holds. */
export const ComparePageQuery = z.strictObject({ forms: z.string().min(1).max(900), as, specimen: z.uuid().optional() });
