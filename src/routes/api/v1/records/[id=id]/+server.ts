import { answerRead } from '$lib/server/api/answer';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) => answerRead(event, 'record');
