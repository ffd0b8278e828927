/** The application: one computer's studio inside the shell, a screen for each address. */
import { QueryClient, QueryClientProvider, useQuery } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import { listComputers } from '../api/client.ts';
import { useCatalog } from '../studio/contexts.ts';
import { StudioProvider } from '../studio/studio.tsx';
import { useReviewSource } from '../studio/use-review-source.ts';
import { remember, remembered } from '../ui/keys.ts';
import { ErrorBoundary } from '../ui/error-boundary.tsx';
import { NoticesProvider } from '../ui/notices.tsx';
import {
  ChartPage,
  FileScreen,
  KeepScreen,
  LoadScreen,
  PluginPage,
  ReviewScreen,
  RuleScreen,
  ScanScreen,
  SortScreen,
} from './screens.ts';
import { Shell } from './shell.tsx';
import * as texts from './texts.ts';

const makeQueries = (): QueryClient =>
  new QueryClient({
    defaultOptions: { queries: { staleTime: Infinity, refetchOnWindowFocus: false, retry: 1 } },
  });

export function App() {
  const [queries] = useState(makeQueries);
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
  const [chosen, setChosen] = useState(() => remembered('computer', ''));
  const choose = useCallback((id: string) => {
    remember('computer', id);
    setChosen(id);
  }, []);
  const computers = useQuery({ queryKey: ['computers'], queryFn: listComputers });
  if (computers.error) {
    return (
      <main id="content" tabIndex={-1} className="p-4" role="alert">
        {computers.error.message}
      </main>
    );
  }
  const computer = computers.data?.find((c) => c.id === chosen) ?? computers.data?.[0];
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
      waiting={
        <main id="content" tabIndex={-1} className="visually-hidden">
          {texts.openingComputer(computer.name)}
        </main>
      }
    >
      <Routes>
        <Route element={<Shell />}>
          <Route path="/scan" element={<ScanScreen />} />
          <Route path="/sort" element={<SortScreen />} />
          <Route path="/plugin/:plugin" element={<PluginPage />} />
          <Route path="/file" element={<FileScreen />} />
          <Route path="/rule/:folder" element={<RuleScreen />} />
          <Route path="/load" element={<LoadScreen />} />
          <Route path="/review" element={<Review />} />
          <Route path="/keep" element={<KeepScreen />} />
          <Route path="/chart" element={<ChartPage />} />
          <Route path="*" element={<Start />} />
        </Route>
      </Routes>
    </StudioProvider>
  );
}

/** What it is made of is fetched beside the screen, not behind it. */
function Review() {
  useReviewSource();
  return <ReviewScreen />;
}

/** The first screen: the catalog when there is one, else where it begins. */
function Start() {
  const { plugins } = useCatalog();
  return <Navigate to={plugins.length > 0 ? '/file' : '/scan'} replace />;
}
