import type { Catalog, Part } from '@plain-cleat/core';

const MARL = 'Marl & Sons';
const NORTHQUAY = 'Northquay Supply';
const PELL = 'Pell Electric';
const LB = 0.45359237;

type Size = [length: number, width: number, height: number];
interface Draft {
  id: string; name: string; french: string; kind: Part['kind']; lb: number; size: Size; holds: Part['holds'];
  price: number; from: string; use: Part['use']; says: [en: string, fr: string];
  base?: Part['base']; holes?: Part['holes']; thread?: string; bolts?: number; lever?: boolean; lead?: number; off?: boolean;
  draw?: Part['draw']; battery?: Part['battery']; solids?: Part['solids']; rivet?: string;
}

const CARE = {
  track: ['Tighten the T-bolts after the first outing.', 'Resserrer les boulons de rail après la première sortie.'],
  through: ['Look at the sealant each season.', 'Vérifier le mastic chaque saison.'],
  rivet: ['Look for rivets that work loose each season.', 'Vérifier chaque saison que les rivets tiennent.'],
  insert: ['Tighten the insert screw by hand, not by power.', 'Serrer la vis de l’insert à la main.'],
  loose: ['Look at straps and ties for sun damage.', 'Vérifier que sangles et colliers ne sont pas abîmés par le soleil.'],
} as const;

const box = (name: string, [l, w, h]: Size, from = 0): Part['solids'][number] => ({ name, u: [-l / 2, l / 2], v: [-w / 2, w / 2], w: [from, from + h] });
const rect = (l: number, w: number): Part['holes'] => [{ u: -l / 2, v: -w / 2 }, { u: -l / 2, v: w / 2 }, { u: l / 2, v: -w / 2 }, { u: l / 2, v: w / 2 }];
const pair = (l: number): Part['holes'] => [{ u: -l / 2, v: 0 }, { u: l / 2, v: 0 }];
const three = (r: number): Part['holes'] => [{ u: -r, v: 0 }, { u: r / 2, v: -0.866 * r }, { u: r / 2, v: 0.866 * r }];

function part(d: Draft): Part {
  const hold = d.holds[0] ?? 'loose';
  const [care, soin] = CARE[hold];
  const off = d.off ?? false;
  return {
    id: d.id, name: d.name, french: d.french, kind: d.kind, massKg: Math.round(d.lb * LB * 1000) / 1000,
    base: d.base ?? { length: d.size[0], width: d.size[1], thickness: 5 },
    solids: d.solids ?? [box(d.kind, d.size)],
    holes: d.holes ?? [], thread: d.thread ?? 'M6', ...(d.rivet ? { rivet: d.rivet } : {}), holds: d.holds,
    trackBolts: d.bolts ?? (d.holds.includes('track') ? 2 : 0), lever: d.lever ?? false, use: d.use,
    ...(d.draw ? { draw: d.draw } : {}), ...(d.battery ? { battery: d.battery } : {}),
    comesOff: off, priceCents: Math.round(d.price * 100), priced: '2026-06-02', supplier: d.from, leadDays: d.lead ?? 3,
    walk: {
      en: { use: d.says[0], road: off ? 'Comes off for the road.' : 'Stays on for the road.', care },
      fr: { use: d.says[1], road: off ? 'À démonter pour la route.' : 'Reste en place pour la route.', care: soin },
    },
  };
}

const PARTS: Part[] = [
  part({ id: 'rod-tube-raised', name: 'Rod tube, raised', french: 'Porte-canne surélevé', kind: 'rod tube', lb: 1.3, size: [60, 60, 300], base: { length: 90, width: 70, thickness: 6 }, holds: ['track', 'through'], holes: rect(60, 40), lever: true, off: true, price: 38.5, from: MARL, use: 'hourly', says: ['Butt down until it clicks in the gimbal.', 'Enfoncer le talon jusqu’au déclic.'] }),
  part({ id: 'rod-tube-flush', name: 'Rod tube, flush', french: 'Porte-canne encastré', kind: 'rod tube', lb: 0.7, size: [110, 80, 20], base: { length: 110, width: 80, thickness: 4 }, holds: ['rivet', 'through'], holes: three(40), rivet: '64', price: 19.9, from: MARL, use: 'stopped', says: ['For carrying, not for trolling with a big fish.', 'Pour transporter, pas pour la traîne lourde.'] }),
  part({ id: 'paddle-clip', name: 'Paddle clip', french: 'Clip de pagaie', kind: 'paddle clip', lb: 0.2, size: [60, 45, 40], holds: ['through', 'track', 'rivet'], holes: pair(38), thread: 'M5', rivet: '64', price: 6.2, from: MARL, use: 'always', says: ['Press the shaft in; pull up to free it.', 'Presser le manche ; tirer pour libérer.'] }),
  part({ id: 'net-socket', name: 'Net socket, pipe', french: 'Support d’épuisette', kind: 'net', lb: 0.6, size: [60, 60, 220], base: { length: 80, width: 80, thickness: 6 }, holds: ['through', 'track'], holes: three(30), lever: true, price: 3.1, from: 'home-made', use: 'hourly', says: ['Net handle down, hoop up.', 'Manche en bas, cercle en haut.'] }),
  part({ id: 'crate-open', name: 'Crate, open, 13 × 16', french: 'Caisse ouverte', kind: 'crate', lb: 3.5, size: [406, 330, 280], holds: ['loose'], off: true, price: 21, from: NORTHQUAY, use: 'stopped', says: ['Two straps, tails inward.', 'Deux sangles, bouts vers l’intérieur.'] }),
  part({ id: 'crate-tight', name: 'Crate, watertight, 16 × 16', french: 'Caisse étanche', kind: 'crate', lb: 6.4, size: [406, 406, 300], holds: ['loose'], off: true, price: 118, from: NORTHQUAY, use: 'stopped', lead: 9, says: ['Press the lid until all four latches catch.', 'Presser le couvercle jusqu’aux quatre loquets.'] }),
  part({ id: 'sounder-arm-7', name: 'Sounder 7 in, deck arm', french: 'Sondeur 7 pouces sur bras', kind: 'sounder', lb: 3.2, size: [120, 220, 190], base: { length: 90, width: 60, thickness: 6 }, solids: [box('arm', [50, 50, 90]), box('screen', [70, 200, 130], 60)], holds: ['track', 'through'], holes: rect(60, 36), draw: { amps: 0.75, volts: 12, of: 'electronics' }, off: true, price: 459, from: PELL, use: 'always', lead: 6, says: ['Long press to wake. Lift the screen off for the road.', 'Appui long pour allumer. Ôter l’écran pour la route.'] }),
  part({ id: 'transducer-arm', name: 'Transducer arm, swinging', french: 'Bras de sonde pivotant', kind: 'sounder', lb: 1.8, size: [60, 60, 120], base: { length: 90, width: 60, thickness: 6 }, holds: ['track', 'through'], holes: rect(60, 36), off: true, price: 54, from: PELL, use: 'always', says: ['Push down until it clicks; lift before beaching.', 'Abaisser jusqu’au déclic ; relever avant la plage.'] }),
  part({ id: 'sampler-socket', name: 'Water sampler socket', french: 'Support de préleveur', kind: 'sampler', lb: 1.1, size: [80, 80, 150], base: { length: 100, width: 80, thickness: 6 }, holds: ['track', 'through'], holes: rect(64, 44), lever: true, price: 47, from: NORTHQUAY, use: 'hourly', says: ['Handle in the socket, bottle on its leash.', 'Manche dans le support, flacon sur sa longe.'] }),
  part({ id: 'chart-board', name: 'Chart board on track', french: 'Planche à cartes', kind: 'board', lb: 1.4, size: [300, 220, 25], base: { length: 120, width: 50, thickness: 6 }, holds: ['track'], off: true, price: 32, from: NORTHQUAY, use: 'always', says: ['Sheets under the bungee; pencil on its cord.', 'Feuilles sous l’élastique ; crayon sur son cordon.'] }),
  part({ id: 'mast-light', name: 'All-round light, pole', french: 'Feu tout horizon sur mât', kind: 'light', lb: 1.5, size: [45, 45, 1220], base: { length: 80, width: 60, thickness: 6 }, holds: ['track', 'through', 'insert'], holes: rect(54, 38), draw: { amps: 0.2, volts: 12, of: 'lights' }, off: true, price: 71, from: PELL, use: 'stopped', says: ['Twist to lock the pole. White all round after sunset.', 'Tourner pour verrouiller. Blanc tout horizon après le coucher du soleil.'] }),
  part({ id: 'deck-light', name: 'Deck light, dim red', french: 'Éclairage de pont rouge', kind: 'light', lb: 0.2, size: [90, 30, 15], holds: ['rivet', 'through'], holes: pair(70), thread: 'M4', rivet: '44', draw: { amps: 0.3, volts: 12, of: 'lights' }, price: 18.5, from: PELL, use: 'stopped', says: ['Low light that does not blind.', 'Lumière douce qui n’éblouit pas.'] }),
  part({ id: 'hatch-light', name: 'Hatch light bar', french: 'Barre lumineuse de trappe', kind: 'light', lb: 0.3, size: [220, 25, 20], holds: ['rivet', 'through'], holes: pair(190), thread: 'M4', rivet: '44', draw: { amps: 0.4, volts: 12, of: 'lights' }, price: 22.5, from: PELL, use: 'stopped', says: ['Touch the end to light it.', 'Toucher le bout pour allumer.'] }),
  part({ id: 'side-lights', name: 'Bow light, red and green', french: 'Feu de proue bicolore', kind: 'light', lb: 0.4, size: [70, 60, 70], holds: ['through', 'rivet'], holes: pair(44), thread: 'M5', rivet: '64', draw: { amps: 0.25, volts: 12, of: 'lights' }, price: 44, from: PELL, use: 'stopped', says: ['On with the mast light when under motor.', 'Allumer avec le feu de mât sous moteur.'] }),
  part({ id: 'battery-18', name: 'Battery 18 Ah, lithium', french: 'Batterie 18 Ah lithium', kind: 'battery', lb: 5, size: [180, 80, 170], holds: ['loose'], battery: { ampHours: 18, volts: 12, chemistry: 'lithium' }, off: true, price: 139, from: PELL, use: 'ashore', says: ['Charge ashore with its own charger, never unattended.', 'Charger à terre avec son chargeur, jamais sans surveillance.'] }),
  part({ id: 'battery-30', name: 'Battery 30 Ah, lithium', french: 'Batterie 30 Ah lithium', kind: 'battery', lb: 8.5, size: [195, 130, 165], holds: ['loose'], battery: { ampHours: 30, volts: 12, chemistry: 'lithium' }, off: true, price: 209, from: PELL, use: 'ashore', says: ['Charge ashore with its own charger, never unattended.', 'Charger à terre avec son chargeur, jamais sans surveillance.'] }),
  part({ id: 'battery-80', name: 'Motor battery 80 Ah', french: 'Batterie moteur 80 Ah', kind: 'battery', lb: 57, size: [330, 175, 220], holds: ['loose'], battery: { ampHours: 80, volts: 12, chemistry: 'lead-acid' }, price: 189, from: PELL, use: 'ashore', says: ['Feeds the motor only. Charge with the hatch open.', 'Pour le moteur seul. Charger trappe ouverte.'] }),
  part({ id: 'motor-bow-55', name: 'Bow motor, 55 lb', french: 'Moteur de proue 55 lb', kind: 'motor', lb: 28, size: [240, 140, 170], base: { length: 220, width: 120, thickness: 8 }, holds: ['through'], holes: rect(160, 80), lever: true, draw: { amps: 50, volts: 12, of: 'motor' }, off: true, price: 899, from: NORTHQUAY, use: 'always', lead: 12, says: ['Release cord up, drop, let it lock. Lanyard on.', 'Tirer le cordon, descendre, laisser verrouiller. Coupe-circuit au poignet.'] }),
  part({ id: 'motor-quiet-40', name: 'Quiet stern drive, 40 lb', french: 'Propulsion arrière silencieuse 40 lb', kind: 'motor', lb: 19, size: [220, 140, 150], base: { length: 200, width: 110, thickness: 8 }, holds: ['through'], holes: rect(150, 70), lever: true, draw: { amps: 42, volts: 12, of: 'motor' }, off: true, price: 640, from: NORTHQUAY, use: 'always', lead: 10, says: ['Lanyard on before you turn the dial.', 'Coupe-circuit au poignet avant de tourner le bouton.'] }),
  part({ id: 'motor-plate', name: 'Motor plate, bow', french: 'Platine moteur de proue', kind: 'plate', lb: 3.5, size: [260, 180, 10], holds: ['through'], holes: rect(200, 120), thread: 'M8', lever: true, price: 84, from: NORTHQUAY, use: 'ashore', says: ['Carries the motor; nothing else is to be bolted to it.', 'Porte le moteur ; rien d’autre ne s’y boulonne.'] }),
  part({ id: 'camera-mast', name: 'Camera mast, 42 in', french: 'Mât de caméra', kind: 'camera', lb: 2.2, size: [50, 50, 1070], base: { length: 100, width: 70, thickness: 6 }, holds: ['track', 'through'], holes: rect(70, 44), lever: true, off: true, price: 96, from: MARL, use: 'hourly', says: ['Tether first, then the camera. Lens path clear of rods.', 'La longe d’abord, puis la caméra.'] }),
  part({ id: 'blind-socket', name: 'Blind frame socket', french: 'Support d’affût', kind: 'stowage', lb: 0.8, size: [60, 60, 110], base: { length: 90, width: 70, thickness: 6 }, holds: ['track', 'through'], holes: rect(60, 40), lever: true, price: 26, from: MARL, use: 'stopped', says: ['Poles in, pins through. Not under way in wind.', 'Tubes en place, goupilles mises. Pas en route par vent.'] }),
  part({ id: 'seat-raised', name: 'Seat riser, 4 in', french: 'Rehausse de siège', kind: 'seat', lb: 4, size: [380, 360, 102], holds: ['loose'], price: 62, from: MARL, use: 'always', says: ['Costs steadiness, buys sight and reach.', 'Moins stable, mais meilleure vue.'] }),
  part({ id: 'anchor-pulley', name: 'Trolley pulley', french: 'Poulie de va-et-vient', kind: 'anchor', lb: 0.3, size: [70, 35, 45], holds: ['through', 'rivet'], holes: pair(44), thread: 'M5', rivet: '66', lever: true, price: 12.4, from: MARL, use: 'stopped', says: ['Leads the anchor to bow or stern.', 'Mène l’ancre vers l’avant ou l’arrière.'] }),
  part({ id: 'jam-cleat', name: 'Jam cleat', french: 'Taquet coinceur', kind: 'anchor', lb: 0.2, size: [65, 30, 30], holds: ['through', 'rivet'], holes: pair(38), thread: 'M5', rivet: '66', price: 9.8, from: MARL, use: 'always', says: ['Down to hold, up to let go. Knife within reach.', 'Vers le bas pour bloquer, vers le haut pour libérer. Couteau à portée.'] }),
  part({ id: 'pad-eye', name: 'Pad eye', french: 'Pontet', kind: 'eye', lb: 0.1, size: [50, 22, 22], holds: ['rivet', 'through'], holes: pair(34), thread: 'M5', rivet: '64', price: 3.4, from: MARL, use: 'stopped', says: ['Leash or tie-down point.', 'Point d’attache.'] }),
  part({ id: 'stake-bracket', name: 'Stake-out bracket', french: 'Support de piquet', kind: 'anchor', lb: 1.6, size: [120, 80, 110], base: { length: 110, width: 80, thickness: 6 }, holds: ['through', 'insert'], holes: rect(80, 50), lever: true, price: 27.4, from: MARL, use: 'stopped', says: ['Pole through, cord to the seat.', 'Piquet passé, cordon au siège.'] }),
  part({ id: 'gland', name: 'Wire gland', french: 'Passe-câble', kind: 'gland', lb: 0.1, size: [40, 40, 25], base: { length: 40, width: 40, thickness: 4 }, holds: ['through'], holes: [{ u: 0, v: 0, bore: 19.05 }], price: 11.5, from: PELL, use: 'ashore', says: ['Tighten the cap by hand when the cable was moved.', 'Resserrer le capuchon à la main.'] }),
  part({ id: 'kill-switch', name: 'Kill switch, lanyard', french: 'Coupe-circuit', kind: 'switch', lb: 0.3, size: [60, 50, 40], holds: ['through'], holes: [{ u: 0, v: 0, bore: 22.2 }], price: 24, from: PELL, use: 'always', says: ['Lanyard on your life jacket whenever the motor is down.', 'Cordon au gilet dès que le moteur est en bas.'] }),
  part({ id: 'usb-ports', name: 'Charge ports, two', french: 'Prises de charge', kind: 'switch', lb: 0.2, size: [90, 45, 25], holds: ['through', 'rivet'], holes: pair(70), thread: 'M4', rivet: '44', draw: { amps: 2.1, volts: 12, of: 'other' }, price: 29, from: PELL, use: 'hourly', says: ['Cap shut when not in use.', 'Capuchon fermé hors usage.'] }),
  part({ id: 'radio-clip', name: 'Radio clip', french: 'Clip de radio', kind: 'safety', lb: 0.2, size: [70, 50, 60], holds: ['track', 'rivet', 'through'], holes: pair(40), thread: 'M5', rivet: '64', price: 14, from: NORTHQUAY, use: 'hourly', says: ['Radio on its leash, aerial up.', 'Radio sur sa longe, antenne en haut.'] }),
  part({ id: 'bungee-deck', name: 'Bungee deck kit', french: 'Élastiques de pont', kind: 'stowage', lb: 0.8, size: [420, 260, 15], base: { length: 420, width: 260, thickness: 3 }, holds: ['rivet', 'through'], holes: [...rect(400, 240), { u: 0, v: -120 }, { u: 0, v: 120 }], thread: 'M5', rivet: '64', price: 24.9, from: NORTHQUAY, use: 'stopped', says: ['Flat things only; nothing that snags.', 'Objets plats seulement.'] }),
  part({ id: 'bottle-holder', name: 'Bottle holder', french: 'Porte-bouteille', kind: 'stowage', lb: 0.3, size: [95, 95, 90], base: { length: 70, width: 50, thickness: 5 }, holds: ['track'], price: 13.5, from: NORTHQUAY, use: 'hourly', says: ['Bottle on its leash.', 'Bouteille sur sa longe.'] }),
  part({ id: 'tackle-box', name: 'Tackle box', french: 'Boîte de pêche', kind: 'stowage', lb: 2, size: [280, 180, 60], holds: ['loose'], off: true, price: 12, from: NORTHQUAY, use: 'hourly', says: ['Under the seat, strap over.', 'Sous le siège, sangle dessus.'] }),
  part({ id: 'dry-box', name: 'Dry box, 40 × 30 cm', french: 'Boîte étanche', kind: 'stowage', lb: 3, size: [400, 300, 170], holds: ['loose'], off: true, price: 48, from: NORTHQUAY, use: 'stopped', says: ['Seal clean, latches shut.', 'Joint propre, loquets fermés.'] }),
  part({ id: 'paddle-leash', name: 'Paddle leash', french: 'Longe de pagaie', kind: 'leash', lb: 0.2, size: [40, 25, 15], holds: ['loose'], price: 11, from: MARL, use: 'always', says: ['Long enough to stroke, too short to foul the drive.', 'Assez longue pour pagayer, trop courte pour l’hélice.'] }),
  part({ id: 'flip-line', name: 'Flip line and strap', french: 'Sangle de remontée', kind: 'safety', lb: 0.6, size: [150, 50, 30], holds: ['loose'], price: 22, from: NORTHQUAY, use: 'stopped', says: ['Try it in shallow water with the gear on.', 'À essayer en eau peu profonde avec le matériel.'] }),
  part({ id: 'first-aid', name: 'First-aid box', french: 'Trousse de secours', kind: 'safety', lb: 1.2, size: [200, 140, 90], holds: ['loose'], price: 34, from: NORTHQUAY, use: 'stopped', says: ['Read the list inside once a season.', 'Relire la liste une fois par saison.'] }),
  part({ id: 'flag-pole', name: 'Flag, 48 in pole', french: 'Fanion sur mât', kind: 'safety', lb: 0.9, size: [30, 30, 1220], base: { length: 70, width: 50, thickness: 6 }, holds: ['track', 'insert'], off: true, price: 28, from: MARL, use: 'always', says: ['Up whenever there is traffic.', 'En place dès qu’il y a du trafic.'] }),
  part({ id: 'spare-paddle', name: 'Spare paddle, split', french: 'Pagaie de secours', kind: 'safety', lb: 2.3, size: [1150, 180, 60], holds: ['loose'], price: 69, from: MARL, use: 'stopped', says: ['Lashed where you can free it from the water.', 'Arrimée, accessible depuis l’eau.'] }),
];

const consumable = (id: string, name: string, french: string, unit: 'each' | 'metre' | 'cartridge', price: number, supplier = MARL): Catalog['consumables'][number] =>
  ({ id, name, french, unit, priceCents: Math.round(price * 100), supplier });

export const CATALOG: Catalog = {
  format: 'plain-cleat/catalog',
  revision: 1,
  parts: PARTS,
  consumables: [
    consumable('bolt-set', 'Bolt, washer, lock nut', 'Boulon, rondelle, écrou frein', 'each', 1.2),
    consumable('rivet', 'Blind rivet', 'Rivet aveugle', 'each', 0.35),
    consumable('tbolt', 'T-bolt and knob', 'Boulon de rail et molette', 'each', 2.4),
    consumable('insert-screw', 'Insert screw', 'Vis d’insert', 'each', 0.9),
    consumable('strap', 'Strap', 'Sangle', 'each', 4.5),
    consumable('backing-plate', 'Backing plate', 'Contre-plaque', 'each', 6.8),
    consumable('sealant', 'Sealant, cartridge', 'Mastic, cartouche', 'cartridge', 14.8),
    consumable('terminal', 'Ring terminal', 'Cosse', 'each', 0.65, PELL),
    consumable('heat-shrink', 'Heat-shrink, adhesive', 'Gaine thermo', 'each', 0.3, PELL),
    consumable('fuse-holder', 'Fuse and holder', 'Fusible et support', 'each', 7.9, PELL),
    consumable('breaker', 'Breaker', 'Disjoncteur', 'each', 42, PELL),
    ...([[18, 1.1], [16, 1.3], [14, 1.7], [12, 2.4], [10, 3.4], [8, 5.2], [6, 7.6], [4, 11.5], [2, 17]] as const).map(([awg, price]) =>
      consumable(`wire-${awg}`, `Wire ${awg} AWG, tinned`, `Fil ${awg} AWG étamé`, 'metre', price, PELL)),
  ],
};
