import { json } from '@sveltejs/kit';
import type { RequestHandler } from './$types';

/** Whose line of instruments it is that somebody asks to speak on: the relay asks, with what the asker showed it. */
export const GET: RequestHandler = ({ locals }) => json({ team: locals.team!.id });
