/**
 * Why a command does not apply. A refusal is a code with what belongs to it; the sentences for people stand here and
 * nowhere else, in English, with `{{name}}` where a parameter goes: the form in which translations are kept.
 */
export const REFUSALS = {
  'role.no': 'You may look at this, and not change it.',

  'deck.name': 'A deck needs a name.',
  'deck.language': 'There is no such language here.',
  'deck.theme': 'There is no such theme.',
  'deck.turn': 'Slides cannot come that way.',
  'themes.tooMany': 'A deck has {{most}} themes of its own at the most. Take one out first.',
  'deck.layout': 'There is no such layout.',
  'layouts.tooMany': 'A deck has {{most}} layouts of its own at the most. Take one out first.',
  'layout.nothing':
    'There is nothing on this slide that a layout has places for: texts, pictures or questions.',

  'slide.gone': 'This slide is not there any more.',
  'setOut.nothing':
    'This cannot be set out: there is nothing to lay, or more than there is room for.',
  'slide.double': 'There is already a slide with this identity.',
  'slide.full': 'A slide holds {{most}} things at the most.',
  'slide.noScenery': 'There is no scenery on this slide.',
  'slide.noneForScenery':
    'There is nothing on this slide that could become scenery: links and questions stay.',
  'slides.none': 'There are no slides to paste.',
  'slides.tooMany': '{{most}} slides at a time, no more.',

  'thing.gone': 'This thing is not on the slide any more.',
  'thing.double': 'There is already a thing with this identity.',
  'thing.locked': 'It is locked. Let it go first.',
  'thing.size': 'A thing is at least 8 units wide and high.',
  'thing.far': 'That is too far from the slide, or too large: 20,000 units are the most.',
  'thing.number': 'That is not a number.',
  'thing.staysOn': 'A {{label}} stays on the {{layer}} layer.',
  'thing.look': 'These things have nothing of that look.',
  'thing.nonePasted': 'There is nothing to paste.',
  'thing.room': 'That is {{count}} things; this slide has room for {{room}} more.',
  'piece.kind': 'Only texts, pictures, shapes, drawings and groups can be pieces.',
  'piece.link': 'A thing that carries a link cannot be moved by students: take the link off first.',
  'group.member': 'It lies in a group: move the whole group, or take it out first.',
  'group.few': 'A group needs two things at least.',
  'group.layers': 'A group lies on one layer: bring its things there first.',
  'group.others': 'Things of different groups cannot be grouped.',
  'group.outside': 'Zones, questions and close-ups stay outside of groups.',
  'group.none': 'This is no group.',
  'text.gone': 'This text is not on the slide any more.',
  'line.gone': 'This line is not there any more.',
  'text.oneSentence': 'This text cannot be parted: it is one sentence.',
  'picture.gone': 'This picture is not on the slide any more.',
  'table.cells':
    'That makes {{rows}} rows and {{columns}} columns: a table on a slide has {{mostRows}} and {{mostColumns}} at the most.',
  'drawing.full': 'A drawing holds {{most}} strokes. Begin another one.',

  'link.gone': 'This link is not there any more.',
  'link.slideGone': 'The slide it should lead to is gone.',
  'link.spotGone': 'The spot it should lead to is gone.',
  'link.layer': 'Only what lies on the content layer carries links: scenery and pieces do not.',
  'link.question': 'A question carries links on its options, not as a whole.',
  'link.kind':
    'Zones, sounds, videos, tables, credits and close-ups carry no links. Lay a link area over it.',
  'link.optionGone': 'This option is not there any more.',
  'link.noWords': 'There are no words to link.',
  'link.otherWords': '“{{words}}” does not stand in this text.',
  'link.wording': 'A choice needs a wording.',
  'link.inText': 'These words stand in a text: change them there.',
  'link.inOption': 'This is an option of a question: change it there.',
  'address.none': 'There is no address.',
  'address.long': 'This address is longer than 2,000 characters.',
  'address.spaces': 'An address has no spaces in it.',
  'address.unreadable': 'This is no address that a browser can open.',
  'address.scheme':
    'Addresses that start with “{{scheme}}” are not taken: only http, https and mailto are safe to follow.',
  'address.protocol': 'Only http, https and mailto can be followed.',
  'address.password': 'An address may not carry a password.',
  'address.mail': 'An e-mail address has a name, an @ and a place.',
  'address.place': '“{{place}}” is no place on the web.',

  'section.gone': 'This section is not there any more.',
  'section.name': 'A section needs a name.',
  'section.empty': 'A section needs at least one slide.',
  'section.ring': 'A section cannot lie in itself.',

  'trail.gone': 'This trail is not there any more.',
  'trail.name': 'A trail needs a name.',
  'trail.full': 'A trail has {{most}} stops at the most.',
  'trail.tooMany': 'A deck holds {{most}} trails at the most.',
  'stop.gone': 'This stop is not on the trail any more.',
  'closeUp.gone': 'This close-up is not there any more.',

  'mend.late': 'This mend does not apply any more.',
  'mend.empty': 'Write it first.',
  'mend.fits': 'All choices have room by now.',
  'aside.reason': 'Say why, so that a co-author understands it.',
  'aside.not': 'It is not set aside.',

  'asked.prompt': 'Write what you want to ask.',
  'asked.pieces': 'Write two pieces and two zones at least.',
  'asked.lines': 'Write two lines at least to choose from.',
  'asked.pairs': 'Write two pairs at least, each as: left = right.',
  'asked.gaps': 'Put what belongs into a gap in square brackets: The [lamp] turns.',

  'leaf.gone': 'This leaf is not there any more.',
  'leaf.full': 'A folio holds {{most}} leaves.',
  'leaf.closed': 'This slide is not open for leaves.',
  'walk.start': 'This is where the walk began.',
} as const;

export type RefusalCode = keyof typeof REFUSALS;
