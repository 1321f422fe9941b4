import type { Teacher } from '@gobrel/core';
import type { ReactElement, ReactNode } from 'react';
import { Navigate, useLocation } from 'react-router';
import { ApiProblem } from '../api/http';
import { useTeacher } from '../api/teacher';
import { Button } from './Button';
import { Centre } from './Page';

/** Shows its children to a signed-in teacher and sends everyone else to sign in and back. */
export function RequireTeacher({
  children,
}: {
  children: (teacher: Teacher) => ReactNode;
}): ReactElement {
  const teacher = useTeacher();
  const { pathname } = useLocation();
  if (teacher.data) return <>{children(teacher.data)}</>;
  if (teacher.error instanceof ApiProblem && teacher.error.status === 401) {
    return <Navigate to={`/sign-in?next=${encodeURIComponent(pathname)}`} replace />;
  }
  if (teacher.error) {
    return (
      <Centre title="No answer">
        <p className="mb-4">{teacher.error.message}</p>
        <Button onClick={() => void teacher.refetch()}>Try again</Button>
      </Centre>
    );
  }
  return <Centre>Opening …</Centre>;
}
