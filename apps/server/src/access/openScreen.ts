/** A screen that is in use: for a day, and no longer than an hour after its lesson has ended. */
export const OPEN_SCREEN = `(SELECT s.*, l.ended_at FROM screen s LEFT JOIN lesson l ON l.id = s.lesson_id
  WHERE s.created_at > now() - interval '1 day'
    AND (l.ended_at IS NULL OR l.ended_at > now() - interval '1 hour')) s`;
