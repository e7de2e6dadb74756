import type { CatalogWords } from '../../knowledge/index.ts';

/** The first step of nearly all work in a box. */
const proveDead =
  'Breaker off; prove every conductor in the box dead with a tester that was just proved, since two circuits may share it.';

export const conditions: CatalogWords['conditions'] = {
  'energized-ground': {
    name: 'Energized ground',
    what: 'Line voltage stands on the ground contact.',
    why: 'The metal case of anything with a three-prong plug is live to the touch.',
    correction:
      'Breaker off at once, and kept off: whatever is joined to that ground is live, not this receptacle alone. A licensed electrician finds how the ground became live and restores a sound ground.',
    hazard:
      'Electric shock from plates, screws and every metal case with a three-prong plug, with nothing in a person’s hand that warns them.',
    urgencyReason: 'A hand on the case and a foot on a wet floor are enough; nothing switches it off.',
    openFirst: 'this box, then the one next to it toward the panel',
    steps: [
      proveDead,
      'Look for hot on a ground terminal, a nicked hot against the yoke or box, and a jumper.',
      'Follow the ground toward the panel: a live ground is also an open one, or the breaker would have tripped.',
      'Look at what else shares that ground: metal boxes, raceway, pipes.',
    ],
    retest:
      'This receptacle and its neighbours: probe and meter to a proven ground at each contact, power on.',
  },
  'reversed-bootleg-ground': {
    name: 'Reversed bootleg ground',
    what: 'Hot and neutral are exchanged and the ground contact is jumpered to the neutral one: wide slot and ground are both live.',
    why: 'Lamps and meter call it correct while the case of anything with a three-prong plug is live to the touch.',
    correction:
      'Breaker off at once, and kept off: what hangs on that ground is live too. A licensed electrician removes the jumper, corrects the polarity and gives the receptacle a real ground or an accepted substitute.',
    hazard:
      'Electric shock from every metal case plugged in, while tester and meter between the contacts show nothing unusual.',
    urgencyReason: 'It looks right and is live: nobody has a reason to be careful.',
    openFirst: 'this box, then the first box upstream that also has its ground live',
    steps: [
      proveDead,
      'Take out the jumper; separate and cap every conductor, power on, find hot by meter against a proven ground, power off, prove dead again; only then does a conductor go to a terminal.',
      'Look whether the exchange came from upstream: then every box beyond it needs the same look.',
      'Deal with the missing ground; without one the receptacle reads open ground once the jumper is out.',
    ],
    retest:
      'Each contact to a proven ground, then the lamps; neighbours too, for one fault may have hidden another.',
  },
  'hot-ground-reversed': {
    name: 'Hot and ground reversed',
    what: 'Hot and ground are exchanged: the ground hole, the yoke and the plate screw are live.',
    why: 'The metal case of anything with a three-prong plug is live to the touch.',
    correction:
      'Breaker off at once, and kept off: whatever is joined to that ground is live, not this receptacle alone. A licensed electrician finds where hot and ground are exchanged and corrects it.',
    hazard: 'Electric shock from plates, screws and every metal case with a three-prong plug.',
    urgencyReason: 'Everything metal at the receptacle is live all the time.',
    openFirst:
      'this box; before that, everything on the circuit off and the lamps read again, for an open neutral with a load shows the same',
    steps: [
      'Rule out an open neutral first: all loads off, read again; if the second lamp goes out it was that.',
      proveDead,
      'Find where hot and ground change places: at these terminals or at the splice upstream.',
    ],
    retest: 'Each contact to a proven ground; lamps at this receptacle and all beyond it.',
  },
  'lost-shared-neutral': {
    name: 'Lost shared neutral',
    what: 'Two legs have lost the neutral they share, or stand across one receptacle.',
    why: 'Up to twice the normal voltage reaches what is plugged in: equipment burns out and can catch fire.',
    correction:
      'Leave the circuit switched off at the breaker; a licensed electrician restores the neutral, or the utility does where the whole house is affected.',
    hazard: 'Fire and burned-out equipment: what is on the lightly loaded leg gets up to twice its voltage.',
    urgencyReason: 'Damage is a matter of what is switched on next.',
    openFirst:
      'the box where both legs part, then each splice of the neutral back to the panel; both breakers off',
    steps: [
      'Both breakers off and kept off; equipment on both legs unplugged.',
      proveDead,
      'Find the open neutral where the two legs still run together; a device that carries it through its terminals is the first place to look.',
      'If other circuits show high and low volts too, the service neutral is to blame: that is the utility’s.',
    ],
    retest: 'Volts hot to neutral on both legs, unloaded and with a load on one of them.',
  },
  'open-neutral': {
    name: 'Open neutral',
    what: 'The neutral is broken here or upstream; hot still arrives.',
    why: 'It looks dead and is not: whatever is switched on brings line voltage to the wide slot.',
    correction:
      'A licensed electrician finds the broken neutral, first in this box and the next one toward the panel, and joins it again; at once if the circuit shares its neutral with another.',
    hazard:
      'Electric shock at what looks dead: through anything switched on, line voltage comes back on the wide slot.',
    urgencyReason:
      'Nothing works, so it is handled as if it were dead; on a neutral shared by two legs it also burns equipment.',
    openFirst:
      'this box and the nearest one toward the panel that still works: the break is between them or in one of the two',
    steps: [
      proveDead,
      'Look at the neutral in the last box that works and the first that does not: push-in terminals first, then splices.',
      'Pigtail the neutral, so that no device carries it onward.',
    ],
    retest:
      'Lamps at this receptacle and all beyond it, then a load test there: a joint that touches reads well without load.',
  },
  'reversed-polarity': {
    name: 'Reversed polarity',
    what: 'Hot and neutral are exchanged: the wide slot is live.',
    why: 'Appliances work, but one that is switched off stays live inside, and so does the metal shell of a lampholder that a hand meets when changing the bulb.',
    correction:
      'A licensed electrician identifies hot by meter and puts the conductors on their own terminals, at this box or at the first one upstream where they are exchanged.',
    hazard: 'Electric shock from what is switched off: the shell of a lampholder, the inside of a toaster.',
    urgencyReason:
      'It hurts only together with another mistake, but that mistake – a hand on a lampholder’s shell – is an everyday one.',
    openFirst:
      'this box where it stands alone; where all beyond one point show it, the first of them and the splice before it',
    steps: [
      proveDead,
      'In old wiring gone all one grey: separate and cap every conductor, power on, find hot by meter against a proven ground, power off, prove dead again, mark, connect.',
      'Never by colour alone, never by guess: somebody guessed before.',
      'Where only some receptacles of a circuit show it, each is exchanged at its own terminals.',
    ],
    retest:
      'Lamps and probe here and at the neighbours; the shell of a lampholder plugged in reads about 0 V to ground.',
  },
  'bootleg-ground': {
    name: 'Bootleg ground',
    what: 'The ground contact is jumpered to the neutral in the box instead of being grounded.',
    why: 'It passes the lamps, and the day the neutral opens upstream every metal case plugged in becomes live.',
    correction:
      'A licensed electrician removes the jumper and gives the receptacle a real ground or one of the accepted ways without one.',
    hazard: 'Electric shock from metal cases on the day a neutral comes loose.',
    urgencyReason:
      'Safe only as long as one neutral holds; then everything metal plugged in goes live at once.',
    openFirst: 'this box: the jumper is at the terminals of the receptacle',
    steps: [
      proveDead,
      'Take the jumper out and leave the ground terminal free until a ground is there.',
      'Look at the other receptacles of the same age: who made one made more.',
      'Existing three-wire range and dryer circuits are another matter and are left alone.',
    ],
    retest:
      'The receptacle reads open ground, or grounded with a rise from neutral to ground under load; the tester’s button trips the device upstream only where a ground was run.',
  },
  'neutral-ground-bond': {
    name: 'Neutral and ground joined',
    what: 'Neutral and ground touch or are jumpered in the box although the ground wire is intact.',
    why: 'Part of what equipment draws returns over the ground wires and bonded metal, and ground-fault devices upstream will not hold.',
    correction:
      'A licensed electrician separates neutral and ground in the box; they are joined at the service only.',
    hazard:
      'Current on ground wires, metal boxes and pipes; protection upstream that cannot hold and gets taken out.',
    urgencyReason: 'No one is hurt at once, but what protects people stops doing so.',
    openFirst: 'this box, then the last one behind the ground-fault device that does not hold',
    steps: [
      proveDead,
      'Look for a bare ground against a neutral screw and for unused screws left out.',
      'Breaker still off, on a shared neutral both: with the neutral lifted at the panel by whoever may open it, neutral to ground must read open.',
    ],
    retest: 'A ground-fault device upstream resets and holds; neutral to ground rises under load.',
  },
  'open-ground': {
    name: 'Open ground',
    what: 'The ground contact leads nowhere: a wire is loose here or upstream, or none was ever run.',
    why: 'Nothing carries a fault in a metal case away, so the case can stay live; surge protectors do not work either.',
    correction:
      'Where the house was wired with grounds, a licensed electrician finds the loose one; where it was not, the electrician fits ground-fault protection with its labels, runs a ground, or returns to two-slot receptacles.',
    hazard: 'Nothing carries the current of a fault in a metal case away, so that the case stays live.',
    urgencyReason:
      'It takes a second fault to hurt somebody; and a house that never had grounds makes no promise where the receptacle has two slots.',
    openFirst: 'this box, then the last one toward the panel that has a ground',
    steps: [
      proveDead,
      'Where there is a ground wire: look for one folded back, cut short, or loose under a splice.',
      'Where there is none: is the box metal and the raceway continuous? Then the yoke may be joined to it; measure before trusting it. Old armored cable without a bonding strip under its armor is no ground, whatever a meter reads.',
      'Without any: protection with its labels, a ground run to an accepted point, or two slots.',
    ],
    retest:
      'Lamps, then a load test: a ground that holds shows neutral to ground rising by about half the drop. Behind protection without a ground only the device’s own button counts.',
  },
  'neutral-ground-swapped': {
    name: 'Neutral and ground exchanged',
    what: 'The conductors of neutral and ground are exchanged.',
    why: 'The bare ground wires, and the metal they are fastened to, carry the current of everything in use.',
    correction: 'A licensed electrician puts the two conductors back on their own terminals.',
    hazard: 'Current of everything in use flows on bare ground wires and bonded metal.',
    urgencyReason: 'A ground that is touched in another box, or opened there, is live.',
    openFirst: 'this box where it stands alone; else the first box that shows it',
    steps: [
      proveDead,
      'White to silver, bare or green to green.',
      'A device upstream that trips with the first load is a sign of the same.',
    ],
    retest:
      'Load test: neutral to ground rises by about half the drop. A ground-fault device upstream holds under load.',
  },
  'high-resistance': {
    name: 'High-resistance connection',
    what: 'A connection touches but does not hold: a loose terminal, a spring-clamp contact or a corroded splice.',
    why: 'It heats under load, and heat in a box is how such connections start fires.',
    correction:
      'A licensed electrician finds the poor connection, cuts back the damaged wire and remakes it.',
    hazard: 'Fire: a connection that heats under load chars what is round it.',
    urgencyReason: 'It gets worse with every heavy load and shows nothing until it does.',
    openFirst: 'the box where the voltage drop steps up, and the one before it',
    steps: [
      proveDead,
      'Push-in terminals, loose screws, corroded or mixed-metal splices; look for browned insulation.',
      'Cut back to bright metal; torque the screws as marked.',
      'If the metal is silver through the cut end, stop: aluminum needs its own way of repair.',
    ],
    retest:
      'Load test here and at the neighbour toward the panel: no step between them, and drop within what the firm’s limit allows.',
  },
  'protection-tripped': {
    name: 'Ground-fault device tripped',
    what: 'A ground-fault device upstream has cut the power.',
    why: 'It may have done its work: find out why before relying on the circuit again.',
    correction:
      'Reset the device with the occupant’s leave and read again; one that does not reset or trips again is work for a licensed electrician.',
    hazard: 'None by itself; what it tripped for may still be there.',
    urgencyReason: 'It did its work, or somebody tested it and forgot: that must be known.',
    openFirst: 'no box: the device first, then what it protects',
    steps: [
      'Reset it; if it will not: power at the line side? line and load exchanged? neutral and ground touching behind it?',
      'Behind it: breaker off and every conductor in the box proved dead, then the load side is taken off and capped; power on again: if it then holds, the fault is downstream.',
    ],
    retest: 'It resets, trips by its own button, and everything behind it goes dead and comes back.',
  },
  'protection-failed': {
    name: 'Ground-fault protection failed',
    what: 'The ground-fault device passes current but no longer trips.',
    why: 'Power is there and the protection people rely on is not.',
    correction: 'A licensed electrician replaces the device and tests it and what it protects.',
    hazard: 'People rely on a device that no longer cuts the power.',
    urgencyReason: 'It fails silently: power is there, the protection is not.',
    openFirst: 'the device’s own box',
    steps: [
      proveDead,
      'Line and load on their own terminals; the old ones may have been exchanged.',
      'Replace it; the replacement may have to meet more than the old one did.',
    ],
    retest: 'Its own button cuts the power at it and at all that it protects; reset brings it back.',
  },
  'open-hot': {
    name: 'No power',
    what: 'Nothing arrives on hot: a breaker, a switch, a tripped device upstream or a broken hot.',
    why: 'Something switched it off or came loose, and until that is known nobody can say what is live.',
    correction:
      'Find out whether a wall switch, a breaker or a tripped ground-fault device explains it; if none does, a licensed electrician looks for the break.',
    hazard:
      'Unknown until the cause is: a loose hot may arc, a switched-off one may come back at any moment.',
    urgencyReason: 'Nothing works and nobody knows why; a broken hot under load burns.',
    openFirst:
      'no box before breaker, device upstream and wall switch are ruled out; then the last box that has power',
    steps: [
      'Look for a wall switch, a tripped device (bathroom, garage, basement, outside) and the breaker; one found off stays off until its reason is known.',
      proveDead,
      'Then the hot in the last live box and the first dead one.',
    ],
    retest: 'Lamps here and beyond, then a load test.',
  },
  correct: {
    name: 'Correct',
    what: 'Each contact is joined to its own conductor.',
    why: 'Nothing needs to be done.',
    correction: 'None needed.',
    hazard: 'None found.',
    urgencyReason: '',
    openFirst: null,
    steps: [],
    retest: '',
  },
};
