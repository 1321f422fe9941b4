export interface ListedStudent {
  id: string;
  name: string;
  /** The group that shares a folio where a lesson is given by groups; '' for none. */
  group: string;
}

export interface ClassList<Time = string> {
  id: string;
  name: string;
  archivedAt: Time | null;
  students: ListedStudent[];
}

/** What one student of a list did in one lesson. */
export interface SeenInLesson<Time = string> {
  studentId: string;
  lessonId: string;
  title: string;
  startedAt: Time;
  answered: number;
  handedInAt: Time | null;
}
