/**
 * Real robots, by the stand-ins of the yard. There is one yard: all that uses its robots is in this
 * file, one after the other.
 */
import { hands } from './robots/hands';
import { kinds } from './robots/kinds';
import { lights } from './robots/lights';
import { model } from './robots/model';
import { pairing } from './robots/pairing';
import { runs } from './robots/runs';
import { test } from './test';

test.setTimeout(240_000);

test.describe('pairing', pairing);
test.describe('runs', runs);
test.describe('model', model);
test.describe('by hand', hands);
test.describe('of all kinds', kinds);
test.describe('lights and sounds', lights);
