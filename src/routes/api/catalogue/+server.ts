/** Stand-in for a parts supplier: every card and extra it sells, with price and days until it delivers. */
import { json } from '@sveltejs/kit';
import { CARDS } from '$demo/catalogue/cards';
import { EXTRAS } from '$demo/catalogue/extras';

export const GET = () => json({ cards: CARDS, extras: EXTRAS });
