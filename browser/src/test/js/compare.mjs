// Plays runs through the core as a page carries it, and compares every moment with what the server's own copy told.
// usage: node compare.mjs <compiled core> <runs, one JSON object a line>
import { createReadStream } from "node:fs";
import { createInterface } from "node:readline";
import { pathToFileURL } from "node:url";

const [core, runs] = process.argv.slice(2);
const here = await import(pathToFileURL(core));
const CLOSE = 1e-6;

/** Where two values differ, or undefined. Figures may differ by what the last bit of a logarithm does. */
function difference(mine, theirs, place = "") {
  if (typeof mine === "number" && typeof theirs === "number")
    return Math.abs(mine - theirs) <= CLOSE * Math.max(1, Math.abs(theirs)) ? undefined : { place, mine, theirs };
  if (mine === null || theirs === null || typeof mine !== "object" || typeof theirs !== "object")
    return mine === theirs ? undefined : { place, mine, theirs };
  for (const name of new Set([...Object.keys(mine), ...Object.keys(theirs)])) {
    const found = difference(mine[name], theirs[name], `${place}.${name}`);
    if (found) return found;
  }
  return undefined;
}

/** The moment after an event, on one of the three ways to it: straight, worked out ahead, or by putting another answer right. */
function after(event, way) {
  const text = JSON.stringify(event);
  const other = JSON.stringify({ ...event, tension: ((event.tension ?? 0) + 1) % 6 });
  if (way === 1) {
    here.suppose(other);
    here.suppose(text);
  } else if (way === 2 && "refused" in JSON.parse(here.after(other))) return here.after(text);
  return way === 2 ? here.instead(text) : here.after(text);
}

let played = 0;
let moments = 0;
let plans = 0;
const different = [];
for await (const line of createInterface({ input: createReadStream(runs) })) {
  const run = JSON.parse(line);
  if (run.plan) {
    const found = difference(JSON.parse(here.plan(JSON.stringify(run.plan.score), JSON.stringify(run.plan.wish))).timeline, run.plan.timeline);
    plans++;
    if (found) different.push({ run: played, plan: true, ...found });
  }
  let mine = JSON.parse(here.begin(JSON.stringify(run.score)));
  for (const { event, moment } of run.told) {
    if (event) mine = JSON.parse(after(event, moments % 3));
    const found = difference(mine, moment);
    moments++;
    if (found) {
      different.push({ run: played, event, ...found });
      break;
    }
  }
  played++;
}
console.log(JSON.stringify({ edition: here.edition(), played, moments, plans, different: different.slice(0, 5), count: different.length }));
