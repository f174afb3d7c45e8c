/** What parts of a course are made of: places, bearings, heights. Metres, degrees. */
import { z } from 'zod';
import { floorColours, type FloorColour } from '../../colours';

export const coordinate = z.number().min(-50).max(50);
export const point = z.tuple([coordinate, coordinate]).describe('[x, y] in metres.');
export const bearing = z.number().min(0).lt(360);
export const height = z.number().min(0.01).max(3);
/** A part of the whole, for light and sound around the course. */
export const share = z.number().min(0).max(1);

const colours = Object.keys(floorColours) as [FloorColour, ...FloorColour[]];
export const colour = z.enum(colours);
