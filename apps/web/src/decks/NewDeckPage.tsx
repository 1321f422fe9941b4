import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { Header } from '../ui/Page';
import { RequireTeacher } from '../ui/RequireTeacher';
import { Beginnings } from './Beginnings';

export { Beginnings };

export default function NewDeckPage(): ReactElement {
  return (
    <RequireTeacher>
      {() => (
        <div className="flex h-full flex-col">
          <Header
            left={
              <Link to="/" className="font-head text-[17px] font-semibold">
                Gobrel
              </Link>
            }
          />
          <main className="flex-1 overflow-auto px-6 py-7 md:px-12">
            <h1 className="mb-5 text-[30px]">A new deck</h1>
            <Beginnings />
          </main>
        </div>
      )}
    </RequireTeacher>
  );
}
