import type { Schemas } from '../../api/client';

export type Wanted = Schemas['Wanted'];
