/** Every formula the report uses: its name, how it is written, where it comes from. Symbols are those of the inputs; `inWords` marks what no line of symbols can say. */
export const FORMULAS = {
  'piston-area': { name: 'Piston area, one side', text: 'A = π/4 · Σ d²', source: 'R. Limpert, Brake Design and Safety, ch. 2' },
  'cylinder-area': { name: 'Wheel cylinder area', text: 'A = π/4 · d²', source: 'R. Limpert, Brake Design and Safety, ch. 2' },
  'mean-radius': {
    name: 'Effective radius, mean of the swept ring',
    text: 'r_e = (r_o + r_i) / 2',
    source: 'R. Limpert, Brake Design and Safety, ch. 2',
  },
  'uniform-pressure-radius': {
    name: 'Effective radius, uniform pressure',
    text: 'r_e = 2/3 · (r_o³ − r_i³) / (r_o² − r_i²)',
    source: 'R. Limpert, Brake Design and Safety, ch. 2',
  },
  'drum-radius': { name: 'Drum radius', text: 'r = D / 2', source: 'Geometry' },
  'outline-shift': {
    inWords: true,
    name: 'Place of the caliper on this car',
    text: 'moved outboard = sum of what stands between hub and caliper',
    source: 'Geometry of the seat frame',
  },
  'least-gap': {
    inWords: true,
    name: 'Least gap',
    text: 'gap = least distance of caliper outline and wheel profile',
    source: 'Plane geometry; uncertainty to first order, GUM (JCGM 100:2008) 5.1.2',
  },
  'face-gap': { inWords: true, name: 'Face gap', text: 'least z_wheel(r) + s − z_caliper(r)', source: 'Plane geometry' },
  'barrel-gap': { inWords: true, name: 'Barrel gap', text: 'least r_wheel(z − s) − r_caliper(z)', source: 'Plane geometry' },
  'gap-difference': { name: 'Gap by difference', text: 'g − (e − e_0)', source: 'Geometry, at one radius' },
  'stud-engagement': {
    name: 'Thread that holds',
    text: 'min(l − h − s − p − t, n)',
    source: 'Geometry; 1.0 diameter in steel and 6.5 turns are asked for',
  },
  'register-left': { name: 'Register left in the wheel', text: 'H − h − s', source: 'Geometry; 4 mm are asked for' },
  'wheel-place': {
    inWords: true,
    name: 'Place of the wheel',
    text: 'effective offset ET − s − (h − h_0); outboard by (ET_0 − ET) + (s − s_0) + (h − h_0); track twice that; rim edge with half the change of width',
    source: 'Geometry of the wheel seat',
  },
  'pressure-share': { name: 'Bias by line pressure', text: 'P_f / (P_f + P_r)', source: 'R. Limpert, Brake Design and Safety, ch. 7' },
  'clamp-share': { name: 'Bias by clamp force', text: 'N_f / (N_f + N_r)', source: 'R. Limpert, Brake Design and Safety, ch. 7' },
  'torque-share': { name: 'Bias by brake torque', text: 'T_f / (T_f + T_r)', source: 'R. Limpert, Brake Design and Safety, ch. 7' },
  'road-share': { name: 'Bias at the road', text: 'F_f / (F_f + F_r)', source: 'T. Gillespie, Fundamentals of Vehicle Dynamics, ch. 3' },
  'ideal-share': {
    name: 'Front share of the load',
    text: 'φ + z · h / L',
    source: 'T. Gillespie, Fundamentals of Vehicle Dynamics, ch. 3',
  },
  'pedal-force': {
    inWords: true,
    name: 'Pedal force for a deceleration',
    text: 'chain from pedal to road, inverted at F = m · g · z',
    source: 'R. Limpert, Brake Design and Safety, ch. 5',
  },
  'pedal-travel': {
    inWords: true,
    name: 'Pedal travel',
    text: 'travel = (fluid taken / master area + free stroke) · i',
    source: 'R. Limpert, Brake Design and Safety, ch. 5',
  },
  'stroke-used': {
    inWords: true,
    name: 'Stroke used in a hard stop',
    text: 'largest of: fluid taken / master area / stroke; the same for each chamber; stroke · i / pedal travel',
    source: 'R. Limpert, Brake Design and Safety, ch. 5',
  },
  'bias-difference': { name: 'Bias against the car as it stands', text: 'b − b_0', source: 'At the same pedal force' },
  'critical-deceleration': {
    inWords: true,
    name: 'Deceleration at which the lock order turns',
    text: 'least z with F_r / load_r ≥ F_f / load_f',
    source: 'UN Regulation No. 13-H, Annex 5',
  },
  'same-feel': {
    name: 'Master bore for the same feel',
    text: 'd_new = d_old · √(A_new / A_old)',
    source: 'R. Limpert, Brake Design and Safety, ch. 5',
  },
  'ring-mass': {
    name: 'Mass of the friction ring',
    text: 'm = π/4 · (D² − d²) · t · (1 − v) · 7.1e-6',
    source: 'Density of grey cast iron',
  },
  'one-stop-rise': {
    name: 'Rise of the rotor in one stop',
    text: 'ΔT = ½ · 1.05 · m · (v / 3.6)² · share · 0.95 / (2 · m_ring · 510)',
    source: 'R. Limpert, Brake Design and Safety, ch. 3',
  },
  'season-wear': {
    inWords: true,
    name: 'Wear in a season',
    text: 'Σ price of renewing / events it lasts, times the events of a season',
    source: 'Plain division; without a given doubt an event count may be off by 30 %',
  },
  'mass-change': {
    inWords: true,
    name: 'Mass against the car as it stands',
    text: 'Σ mass of what goes on − Σ mass of what comes off; half a pad set to a corner',
    source: 'Plain sum',
  },
  'bill-total': {
    inWords: true,
    name: 'Total of the bill',
    text: 'Σ quantity · likely price · rate · (1 + tax)',
    source: 'Triangular distributions for the 80 % range',
  },
} as const satisfies Record<string, { name: string; text: string; source: string; inWords?: true }>

export type FormulaId = keyof typeof FORMULAS
