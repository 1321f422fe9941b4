/**
 * What is taken of anything that comes from outside, in one place. Who reads a document or a request keeps to these; what
 * is over is left out of the reading, or refused where it comes in.
 */
export const LIMITS = {
  /** Groups that a thing may lie in, one in the other. What lies deeper lies in none. */
  groupDepth: 12,
  elementsPerSlide: 600,
  elementsPerLeaf: 200,
  tableRows: 30,
  tableColumns: 12,
  leavesPerFolio: 40,
  /** Letters. */
  title: 300,
  leafTitle: 120,
  /** Steps of a walk that are read; those before are counted. */
  walk: 5000,
  sectionMinutes: 600,
} as const;

/** What the server takes: no page needs these. */
export const SERVER_LIMITS = {
  /** Bytes of one message over a socket: a student's device, and a teacher's, who may paste a whole deck. */
  message: { student: 2_000_000, teacher: 32_000_000 },
  /** Bytes of one document as stored. */
  document: { deck: 64_000_000, folio: 6_000_000, lesson: 0, desk: 0, show: 0 },
  socket: {
    /**
     * Messages a second, and as many at once after a rest; of a person, over all sockets. Who sends more is not
     * listened to for a while.
     */
    messages: {
      student: { perSecond: 30, atOnce: 200 },
      teacher: { perSecond: 500, atOnce: 6000 },
    },
    /** Bytes a second, and at once, that a person may send. */
    bytes: {
      student: { perSecond: 100_000, atOnce: 3_000_000 },
      teacher: { perSecond: 8_000_000, atOnce: 128_000_000 },
    },
    /**
     * Milliseconds of the server's thread a second, and at once, that what a person sends may cost: who types fast, every
     * letter a message, costs half of it where the thread itself has to wait for a processor.
     */
    time: {
      student: { perSecond: 30, atOnce: 1000 },
      teacher: { perSecond: 400, atOnce: 10_000 },
    },
    /** Bytes of documents a second, and at once, that a person may ask for. */
    asked: {
      student: { perSecond: 300_000, atOnce: 15_000_000 },
      teacher: { perSecond: 20_000_000, atOnce: 400_000_000 },
    },
    /** What of these somebody may do at once who has just come. */
    newcomers: 0.5,
    /** Changes in one message (structs of a Yjs update); a whole lesson without a network has thousands. */
    changes: { student: 30_000, teacher: 2_000_000 },
    /** So many changes count as one message. */
    changesPerMessage: 50,
    /** Documents named over one socket while it is open: a desk opens the folios of a class one after another. */
    documents: { student: 40, teacher: 2000 },
    /** Messages that wait while a document is being opened. */
    beforeOpen: 200,
    perStudent: 12,
    perTeacher: 60,
    perAddress: 1500,
  },
  /** Presence is told in decks only: bytes of one message, and of how many devices it may be. */
  presence: { bytes: 64_000, devices: 120 },
  /**
   * Milliseconds that one folio may cost in a pass before it has to wait for its next turn, as many times that long,
   * and the longest that it waits: twenty that cost much leave four fifths of the time to the others.
   */
  projection: { cheap: 5, restsTimes: 100, longest: 30_000 },
  svg: {
    bytes: 2_000_000,
    elements: 20_000,
    depth: 60,
    /** Elements that are drawn once every reference is followed. */
    drawn: 50_000,
    /** Milliseconds for making it clean, and for drawing it. */
    time: 4000,
  },
  /** Bytes of pictures that a student may send in one lesson. */
  uploadsPerStudent: 60_000_000,
  /** Pictures that are made ready at the same time, and that may wait for it, of a student and of all. */
  pictures: { atOnce: 1, waitingPerStudent: 3, waiting: 40 },
  /** Requests: a second, at once after a rest, and under way. */
  requests: {
    student: { perSecond: 6, atOnce: 50, underWay: 24 },
    teacher: { perSecond: 100, atOnce: 1000, underWay: 60 },
    /** Of all at one address who are nobody yet, as a class is that joins. */
    unknown: { perSecond: 100, atOnce: 500, underWay: 300 },
    /** Of all at one address: a school. */
    address: { perSecond: 800, atOnce: 8000, underWay: 1000 },
  },
  /**
   * Refusals that are told at once: a second, and after a rest. What is asked in vain beyond that is told `after` so many
   * milliseconds: who guesses, or sends what is not taken, waits most of the time.
   */
  refusals: {
    student: { perSecond: 1, atOnce: 15 },
    teacher: { perSecond: 20, atOnce: 500 },
    unknown: { perSecond: 5, atOnce: 60 },
    address: { perSecond: 10, atOnce: 100 },
    after: 700,
  },
  /** Names in one lesson. */
  peoplePerLesson: 1000,
  /** New names that one device, and all devices at one address, may join with in an hour: a tablet is handed round. */
  joins: { within: 3600, perDevice: 100, perAddress: 6000 },
  /** New accounts from one address in an hour. */
  signUps: { within: 3600, perAddress: 200 },
  /** Letters for those who have forgotten a password: in an hour from one address, and to one person; minutes that one is good. */
  passwordLetters: { within: 3600, perAddress: 30, perPerson: 5, minutes: 60 },
  /** Letters of invitation that one teacher may have sent in an hour, and days that an invitation is good for. */
  invitations: { within: 3600, perPerson: 60, days: 14 },
  /** Copies of others' decks that one teacher may take in an hour. */
  copies: { within: 3600, perPerson: 60 },
  /**
   * Comments on one deck, and those that one teacher may write in so many seconds; letters to those whom somebody calls by
   * name, in an hour.
   */
  comments: { perDeck: 5000, within: 600, perPerson: 200, letters: 60 },
  /** Passwords that are checked, made, or wait for it, of all and of all at one address: a school. */
  passwords: { atOnce: 60, waiting: 0, perPerson: 30 },
  /** Shows that one teacher may give at the same time; devices that steer one; minutes that a code for one is good. */
  shows: { perPerson: 20, remotes: 12, pairing: 10 },
  /** New followers, and wrong codes, of one address in so many seconds: a school hall joins at once. */
  follows: { within: 300, perAddress: 3000, wrong: 60 },
  /** Practice classes that run at the same time on one server. */
  practiceClasses: 8,
} as const;
