import { json } from '@sveltejs/kit';
import { openApi } from '$lib/core/api/openapi';
import type { RequestHandler } from './$types';

/** What a program can do here; anybody may read that. */
export const GET: RequestHandler = ({ url }) => json(openApi(url.origin));
