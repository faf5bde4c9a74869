/** What a material does with heat and load. Real parts differ by a few per cent. */
export interface Material {
  readonly name: string;
  /** linear, 20 to 100 °C, µm/m·K */
  readonly expansion: number;
  /** GPa */
  readonly modulus: number;
  readonly poisson: number;
  /** proof or yield, MPa; tensile for grey iron */
  readonly strength: number;
  /** kg/m³ */
  readonly density: number;
  /** J/kg·K, about room temperature */
  readonly specificHeat: number;
  /** breaks before it yields: judged by its hoop stress against its tensile strength */
  readonly isBrittle: boolean;
}

const row = (
  name: string,
  expansion: number,
  modulus: number,
  poisson: number,
  strength: number,
  density: number,
  specificHeat: number,
): Material => ({
  name,
  expansion,
  modulus,
  poisson,
  strength,
  density,
  specificHeat,
  isBrittle: name === 'grey cast iron',
});

/** Typical values, from memory of handbook ranges; all but density and specific heat are checked in the tests against checks/expansion.csv. */
export const MATERIALS: readonly Material[] = [
  row('mild steel', 11.7, 206, 0.29, 250, 7850, 460),
  row('bearing steel, hardened', 11.9, 208, 0.3, 1500, 7830, 460),
  row('case-hardened gear steel', 11.6, 206, 0.29, 700, 7850, 460),
  row('grey cast iron', 10.5, 105, 0.25, 200, 7200, 490),
  row('malleable iron', 11.5, 170, 0.26, 230, 7300, 490),
  row('aluminium casting alloy (silicon)', 21.5, 71, 0.33, 110, 2680, 900),
  row('aluminium casting alloy (copper)', 22.5, 71, 0.33, 110, 2800, 880),
  row('wrought aluminium', 23.4, 70, 0.33, 240, 2700, 900),
  row('leaded gunmetal, leaded bronze', 18, 100, 0.34, 125, 8900, 380),
  row('phosphor bronze', 17.8, 110, 0.34, 170, 8800, 380),
  row('brass', 19, 105, 0.34, 150, 8500, 380),
  row('copper', 16.7, 120, 0.34, 70, 8930, 385),
  row('magnesium casting alloy', 26, 45, 0.35, 90, 1810, 1020),
  row('nylon', 90, 2.5, 0.39, 60, 1140, 1600),
  row('PTFE-faced steel-backed', 12, 200, 0.29, 200, 7700, 460),
];
