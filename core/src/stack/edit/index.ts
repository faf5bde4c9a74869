export { arrangementOf, SHIM_PLACES, turnBearings, type Tightener } from './arrangement.ts';
export { chooseThickness, givePlay, mayBeChosen, moveAlong, playOf, takeOut, turnPart } from './change.ts';
export { insertBetween, INSERT_TITLES, INSERTS, runOn, type InsertKind } from './insert.ts';
export { asPlan, HOLDERS, isStand, planGraph, RACES, soundPlan, type NewRole, type PlanPlace, type ShaftPlan } from './plan.ts';
