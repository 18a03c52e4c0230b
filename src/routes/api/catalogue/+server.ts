/** Stand-in for a parts supplier: every card it sells. */
import { json } from '@sveltejs/kit';
import { CARDS } from '$demo/catalogue/cards';

export const GET = () => json(CARDS);
