/** The application: one computer's studio inside the shell, a screen for each address. */
import { QueryClientProvider, useQuery, type QueryClient } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import { useCatalog } from '../studio/contexts.ts';
import {
  chosenComputer,
  computersQuery,
  rememberComputer,
  shownComputer,
} from '../studio/studio-queries.ts';
import { StudioProvider } from '../studio/studio.tsx';
import { usePutOff } from '../studio/use-put-off.ts';
import { useReviewOf } from '../review/use-review.ts';
import { ErrorBoundary } from '../ui/error-boundary.tsx';
import { NoticesProvider } from '../ui/notices.tsx';
import { useAddress } from '../ui/use-address.ts';
import { screens, type ScreenId } from '../studio/screens.ts';
import { screenPart } from './screens.ts';
import { Shell } from './shell.tsx';
import * as texts from './texts.ts';

export function App({ queries }: { queries: QueryClient }) {
  return (
    <QueryClientProvider client={queries}>
      <NoticesProvider>
        <BrowserRouter>
          <ErrorBoundary what={texts.cleverDrawer}>
            <Rooms />
          </ErrorBoundary>
        </BrowserRouter>
      </NoticesProvider>
    </QueryClientProvider>
  );
}

function Rooms() {
  const [{ chosen, since }, setChosen] = useState(() => ({ chosen: chosenComputer(), since: 0 }));
  const choose = useCallback((id: string) => {
    rememberComputer(id);
    setChosen({ chosen: id, since: performance.now() });
  }, []);
  const computers = useQuery(computersQuery);
  if (computers.error) {
    return (
      <main id="content" tabIndex={-1} className="p-4" role="alert">
        {computers.error.message}
      </main>
    );
  }
  const computer = shownComputer(computers.data ?? [], chosen);
  if (!computer) {
    return (
      <main id="content" tabIndex={-1} className="visually-hidden">
        {texts.opening}
      </main>
    );
  }
  return (
    <StudioProvider
      key={computer.id}
      computer={computer}
      computers={computers.data ?? []}
      chooseComputer={choose}
      since={since}
      waiting={
        <main id="content" tabIndex={-1} className="visually-hidden">
          {texts.openingComputer(computer.name)}
        </main>
      }
    >
      <Routes>
        <Route element={<Shell />}>
          {routes.map(({ id, path, Part }) => (
            <Route key={id} path={path} element={<Part />} />
          ))}
          <Route path="*" element={<Start />} />
        </Route>
      </Routes>
    </StudioProvider>
  );
}

const ReviewScreen = screenPart('review');

/** What it shows is asked for beside the screen, not behind it. */
function Review() {
  const [params] = useAddress();
  useReviewOf(params);
  usePutOff();
  return <ReviewScreen />;
}

/** The first screen: the catalog when there is one, else where it begins. */
function Start() {
  const { plugins } = useCatalog();
  return <Navigate to={plugins.length > 0 ? '/file' : '/scan'} replace />;
}

const routes = (Object.keys(screens) as ScreenId[]).map((id) => ({
  id,
  path: screens[id].path,
  Part: id === 'review' ? Review : screenPart(id),
}));
