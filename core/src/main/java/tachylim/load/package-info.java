/**
 * What playing costs: effort, the recovery that bursts draw on and rests fill, and the guardrails of a
 * day. These are rules of thumb for planning, labelled so wherever they are shown; they are no forecast
 * of injury and no medical advice.
 */
package tachylim.load;
