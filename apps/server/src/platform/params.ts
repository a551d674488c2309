import { uuid } from '@upwell/contract/common';
import { Joi } from '@upwell/contract/joi';

/** The id in the address. */
export const idParams = Joi.object<{ id: string }>({ id: uuid().required() });
