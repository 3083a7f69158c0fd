import { weatherDrop } from '../../../contracts/weather/weather.ts';
import { body, endpoint, json } from '../../../server/edge.ts';
import { forgetWeather } from '../../../server/weather/weather.ts';

export const DELETE = endpoint(async (context) => json(await forgetWeather((await body(context, weatherDrop)).source)));
