/**
 * The rigid-body package planck, made to reckon with functions that give the same bits on every
 * machine: what is imported first is loaded first.
 */
import './lend';
export { Polygon, Vec2, World, type Body, type Fixture } from 'planck';
import './give-back';
