import type { CatalogWords } from '../../knowledge/index.ts';

/** The first step of nearly all work in a box. */
const proveDead =
  'Breaker off; prove every conductor in the box dead with a tester that was just proved, since two circuits may share it.';

export const conditions: CatalogWords['conditions'] = {
  'energized-ground': {
    name: 'Live earth',
    what: 'Line voltage stands on the earth contact.',
    why: 'The metal case of anything with a three-pin plug is live to the touch.',
    correction:
      'Breaker off at once, and kept off: whatever is joined to that earth is live, not this socket-outlet alone. A registered electrician finds how the earth became live and restores a sound earth.',
    hazard:
      'Electric shock from plates, screws and every metal case with a three-pin plug, with nothing in a person’s hand that warns them.',
    urgencyReason: 'A hand on the case and a foot on a wet floor are enough; nothing switches it off.',
    openFirst: 'this box, then the one next to it towards the consumer unit',
    steps: [
      proveDead,
      'Look for line on an earth terminal, a nicked line against the frame or box, and a jumper.',
      'Follow the earth towards the consumer unit: a live earth is also an open one, or the breaker would have tripped.',
      'Look at what else shares that earth: metal boxes, conduit, pipes.',
    ],
    retest:
      'This socket-outlet and its neighbours: probe and meter to a proven earth at each contact, power on.',
  },
  'reversed-bootleg-ground': {
    name: 'Reversed false earth',
    what: 'Line and neutral are exchanged and the earth contact is jumpered to the neutral one: neutral hole and earth are both live.',
    why: 'Lamps and meter call it correct while the case of anything with a three-pin plug is live to the touch.',
    correction:
      'Breaker off at once, and kept off: what hangs on that earth is live too. A registered electrician removes the jumper, corrects the polarity and gives the socket-outlet a real earth or an accepted substitute.',
    hazard:
      'Electric shock from every metal case plugged in, while tester and meter between the contacts show nothing unusual.',
    urgencyReason: 'It looks right and is live: nobody has a reason to be careful.',
    openFirst: 'this box, then the first box upstream that also has its earth live',
    steps: [
      proveDead,
      'Take out the jumper; separate and cap every conductor, power on, find line by meter against a proven earth, power off, prove dead again; only then does a conductor go to a terminal.',
      'Look whether the exchange came from upstream: then every box beyond it needs the same look.',
      'Deal with the missing earth; without one the socket-outlet reads open earth once the jumper is out.',
    ],
    retest:
      'Each contact to a proven earth, then the lamps; neighbours too, for one fault may have hidden another.',
  },
  'hot-ground-reversed': {
    name: 'Line and earth reversed',
    what: 'Line and earth are exchanged: the earth hole, the frame and the plate screw are live.',
    why: 'The metal case of anything with a three-pin plug is live to the touch.',
    correction:
      'Breaker off at once, and kept off: whatever is joined to that earth is live, not this socket-outlet alone. A registered electrician finds where line and earth are exchanged and corrects it.',
    hazard: 'Electric shock from plates, screws and every metal case with a three-pin plug.',
    urgencyReason: 'Everything metal at the socket-outlet is live all the time.',
    openFirst:
      'this box; before that, everything on the circuit off and the lamps read again, for an open neutral with a load shows the same',
    steps: [
      'Rule out an open neutral first: all loads off, read again; if the second lamp goes out it was that.',
      proveDead,
      'Find where line and earth change places: at these terminals or at the splice upstream.',
    ],
    retest: 'Each contact to a proven earth; lamps at this socket-outlet and all beyond it.',
  },
  'lost-shared-neutral': {
    name: 'Lost shared neutral',
    what: 'Two phases have lost the neutral they share, or stand across one socket-outlet.',
    why: 'Up to 400 V reaches what is plugged in: equipment burns out and can catch fire.',
    correction:
      'Leave the circuit switched off at the breaker; a registered electrician restores the neutral, or the network operator does where the whole house is affected.',
    hazard: 'Fire and burned-out equipment: what is on the lightly loaded phase gets up to 400 V.',
    urgencyReason: 'Damage is a matter of what is switched on next.',
    openFirst:
      'the box where both phases part, then each splice of the neutral back to the consumer unit; both breakers off',
    steps: [
      'Both breakers off and kept off; equipment on both phases unplugged.',
      proveDead,
      'Find the open neutral where the two phases still run together; a device that carries it through its terminals is the first place to look.',
      'If other circuits show high and low volts too, the neutral of the supply is to blame: that is the network operator’s.',
    ],
    retest: 'Volts line to neutral on both phases, unloaded and with a load on one of them.',
  },
  'open-neutral': {
    name: 'Open neutral',
    what: 'The neutral is broken here or upstream; line still arrives.',
    why: 'It looks dead and is not: whatever is switched on brings line voltage to the neutral hole.',
    correction:
      'A registered electrician finds the broken neutral, first in this box and the next one towards the consumer unit, and joins it again; at once if the circuit shares its neutral with another.',
    hazard:
      'Electric shock at what looks dead: through anything switched on, line voltage comes back on the neutral hole.',
    urgencyReason:
      'Nothing works, so it is handled as if it were dead; on a neutral shared by two phases it also burns equipment.',
    openFirst:
      'this box and the nearest one towards the consumer unit that still works: the break is between them or in one of the two',
    steps: [
      proveDead,
      'Look at the neutral in the last box that works and the first that does not: push-in terminals first, then splices.',
      'Join the neutrals in a connector with a tail to the socket, so that no device carries them onward.',
    ],
    retest:
      'Lamps at this socket-outlet and all beyond it, then a load test there: a joint that touches reads well without load.',
  },
  'reversed-polarity': {
    name: 'Reversed polarity',
    what: 'Line and neutral are exchanged: the neutral hole is live.',
    why: 'Appliances work, but one that is switched off stays live inside, and so does the metal shell of a lampholder that a hand meets when changing the lamp.',
    correction:
      'A registered electrician identifies line by meter and puts the conductors on their own terminals, at this box or at the first one upstream where they are exchanged.',
    hazard: 'Electric shock from what is switched off: the shell of a lampholder, the inside of a toaster.',
    urgencyReason:
      'It hurts only together with another mistake, but that mistake – a hand on a lampholder’s shell – is an everyday one.',
    openFirst:
      'this box where it stands alone; where all beyond one point show it, the first of them and the splice before it',
    steps: [
      proveDead,
      'In old wiring gone all one grey: separate and cap every conductor, power on, find line by meter against a proven earth, power off, prove dead again, mark, connect.',
      'Never by colour alone, never by guess: somebody guessed before.',
      'Where only some socket-outlets of a circuit show it, each is exchanged at its own terminals.',
    ],
    retest:
      'Lamps and probe here and at the neighbours; the shell of a lampholder plugged in reads about 0 V to earth.',
  },
  'bootleg-ground': {
    name: 'False earth',
    what: 'The earth contact is jumpered to the neutral in the box instead of being earthed.',
    why: 'It passes the lamps, and the day the neutral opens upstream every metal case plugged in becomes live.',
    correction:
      'A registered electrician removes the jumper and gives the socket-outlet a real earth or one of the accepted ways without one.',
    hazard: 'Electric shock from metal cases on the day a neutral comes loose.',
    urgencyReason:
      'Safe only as long as one neutral holds; then everything metal plugged in goes live at once.',
    openFirst: 'this box: the jumper is at the terminals of the socket-outlet',
    steps: [
      proveDead,
      'Take the jumper out and leave the earth terminal free until an earth is there.',
      'Look at the other socket-outlets of the same age: who made one made more.',
    ],
    retest:
      'The socket-outlet reads open earth, or earthed with a rise from neutral to earth under load; the tester’s button trips the device upstream only where an earth was run.',
  },
  'neutral-ground-bond': {
    name: 'Neutral and earth joined',
    what: 'Neutral and earth touch or are jumpered in the box although the earth wire is intact.',
    why: 'Part of what equipment draws returns over the earth wires and bonded metal, and RCDs upstream will not hold.',
    correction:
      'A registered electrician separates neutral and earth in the box; they are joined at the origin of the supply only.',
    hazard:
      'Current on earth wires, metal boxes and pipes; protection upstream that cannot hold and gets taken out.',
    urgencyReason: 'No one is hurt at once, but what protects people stops doing so.',
    openFirst: 'this box, then the last one behind the RCD that does not hold',
    steps: [
      proveDead,
      'Look for a bare earth against a neutral screw and for unused screws left out.',
      'Breaker still off, on a shared neutral both: with the neutral lifted at the consumer unit by whoever may open it, neutral to earth must read open.',
    ],
    retest: 'An RCD upstream resets and holds; neutral to earth rises under load.',
  },
  'open-ground': {
    name: 'Open earth',
    what: 'The earth contact leads nowhere: a wire is loose here or upstream, or none was ever run.',
    why: 'Nothing carries a fault in a metal case away, so the case can stay live; surge protectors do not work either.',
    correction:
      'Where the house was wired with earths, a registered electrician finds the loose one; where it was not, the electrician fits RCD protection with its labels, runs an earth, or returns to two-pin socket-outlets.',
    hazard: 'Nothing carries the current of a fault in a metal case away, so that the case stays live.',
    urgencyReason:
      'It takes a second fault to hurt somebody; and a house that never had earths makes no promise where the socket-outlet takes two pins.',
    openFirst: 'this box, then the last one towards the consumer unit that has an earth',
    steps: [
      proveDead,
      'Where there is an earth wire: look for one folded back, cut short, or loose under a splice.',
      'Where there is none: is the box metal and the conduit continuous? Then the frame may be joined to it; measure before trusting it. Old armoured cable whose armour has rusted is no earth, whatever a meter reads.',
      'Without any: protection with its labels, an earth run to an accepted point, or two pins.',
    ],
    retest:
      'Lamps, then a load test: an earth that holds shows neutral to earth rising by about half the drop. Behind protection without an earth only the device’s own button counts.',
  },
  'neutral-ground-swapped': {
    name: 'Neutral and earth exchanged',
    what: 'The conductors of neutral and earth are exchanged.',
    why: 'The bare earth wires, and the metal they are fastened to, carry the current of everything in use.',
    correction: 'A registered electrician puts the two conductors back on their own terminals.',
    hazard: 'Current of everything in use flows on bare earth wires and bonded metal.',
    urgencyReason: 'An earth that is touched in another box, or opened there, is live.',
    openFirst: 'this box where it stands alone; else the first box that shows it',
    steps: [
      proveDead,
      'Blue to N, green and yellow to earth.',
      'A device upstream that trips with the first load is a sign of the same.',
    ],
    retest: 'Load test: neutral to earth rises by about half the drop. An RCD upstream holds under load.',
  },
  'high-resistance': {
    name: 'High-resistance connection',
    what: 'A connection touches but does not hold: a loose terminal, a spring-clamp contact or a corroded splice.',
    why: 'It heats under load, and heat in a box is how such connections start fires.',
    correction:
      'A registered electrician finds the poor connection, cuts back the damaged wire and remakes it.',
    hazard: 'Fire: a connection that heats under load chars what is round it.',
    urgencyReason: 'It gets worse with every heavy load and shows nothing until it does.',
    openFirst: 'the box where the voltage drop steps up, and the one before it',
    steps: [
      proveDead,
      'Push-in terminals, loose screws, corroded or mixed-metal splices; look for browned insulation.',
      'Cut back to bright metal; torque the screws as marked.',
      'If the metal is silver through the cut end, stop: aluminium needs its own way of repair.',
    ],
    retest:
      'Load test here and at the neighbour towards the consumer unit: no step between them, and drop within what the firm’s limit allows.',
  },
  'protection-tripped': {
    name: 'RCD tripped',
    what: 'An RCD upstream has cut the power.',
    why: 'It may have done its work: find out why before relying on the circuit again.',
    correction:
      'Reset the device with the occupant’s leave and read again; one that does not reset or trips again is work for a registered electrician.',
    hazard: 'None by itself; what it tripped for may still be there.',
    urgencyReason: 'It did its work, or somebody tested it and forgot: that must be known.',
    openFirst: 'no box: the device first, then what it protects',
    steps: [
      'Reset it; if it will not: power at its supply side? supply and load exchanged? neutral and earth touching behind it?',
      'Behind it: breaker off and every conductor in the box proved dead, then the load side is taken off and capped; power on again: if it then holds, the fault is downstream.',
    ],
    retest: 'It resets, trips by its own button, and everything behind it goes dead and comes back.',
  },
  'protection-failed': {
    name: 'RCD protection failed',
    what: 'The RCD passes current but no longer trips.',
    why: 'Power is there and the protection people rely on is not.',
    correction: 'A registered electrician replaces the device and tests it and what it protects.',
    hazard: 'People rely on a device that no longer cuts the power.',
    urgencyReason: 'It fails silently: power is there, the protection is not.',
    openFirst: 'the device’s own box',
    steps: [
      proveDead,
      'Supply and load on their own terminals; the old ones may have been exchanged.',
      'Replace it; the replacement may have to meet more than the old one did.',
    ],
    retest: 'Its own button cuts the power at it and at all that it protects; reset brings it back.',
  },
  'open-hot': {
    name: 'No power',
    what: 'Nothing arrives on line: a breaker, a switch, a tripped device upstream or a broken line.',
    why: 'Something switched it off or came loose, and until that is known nobody can say what is live.',
    correction:
      'Find out whether a wall switch, a breaker or a tripped RCD explains it; if none does, a registered electrician looks for the break.',
    hazard:
      'Unknown until the cause is: a loose line may arc, a switched-off one may come back at any moment.',
    urgencyReason: 'Nothing works and nobody knows why; a broken line under load burns.',
    openFirst:
      'no box before breaker, device upstream and wall switch are ruled out; then the last box that has power',
    steps: [
      'Look for a wall switch, a tripped device (bathroom, garage, basement, outside) and the breaker; one found off stays off until its reason is known.',
      proveDead,
      'Then the line in the last live box and the first dead one.',
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
