import { uuid } from './common';
import { Joi } from './joi';

/** A secret made by the client, so that asking twice makes one link; the server keeps only its hash. */
export const linkToken = () => Joi.string().pattern(/^[A-Za-z0-9_-]{43}$/, { name: 'a link from Upwell' });

export interface HandoutLinkSave {
  readonly focusId: string;
  readonly token: string;
}

export const handoutLinkSchema = Joi.object<HandoutLinkSave>({
  focusId: uuid().required(),
  token: linkToken().required(),
});

/** A link as its maker sees it; the secret itself is not kept. */
export interface HandoutLink {
  readonly id: string;
  readonly focusId: string;
  readonly createdAt: string;
  readonly revoked: boolean;
}
