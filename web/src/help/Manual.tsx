import { getRouteApi, Link } from '@tanstack/react-router';
import { useEffect, type ReactNode } from 'react';
import Markdown, { type Components } from 'react-markdown';
import remarkGfm from 'remark-gfm';

import text from '../../../docs/manual.md?raw';
import { MarginNote, Sheet } from '../ui/Sheet';
import { say } from '../words/say';

const route = getRouteApi('/manual');

/** Of a heading, for its place in the page. */
const slug = (heading: string) => heading.toLowerCase().replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, '');

function wordsOf(children: ReactNode): string {
    return Array.isArray(children) ? children.map(wordsOf).join('') : typeof children === 'string' ? children : '';
}

/** The name of the manual is that of the page. */
const [, ...body] = text.split('\n');
const CHAPTERS = body.flatMap((line) => /^(##) (.+)$/.exec(line)?.[2] ?? []);

const PARTS: Components = {
    h2: ({ children }) => <h2 id={slug(wordsOf(children))} className="mt-8 mb-2 scroll-mt-4 text-2xl" tabIndex={-1}>{children}</h2>,
    h3: ({ children }) => <h3 id={slug(wordsOf(children))} className="mt-5 mb-1 scroll-mt-4 text-lg font-[650]">{children}</h3>,
    p: ({ children }) => <p className="mb-3 max-w-[46rem]">{children}</p>,
    ul: ({ children }) => <ul className="mb-3 max-w-[46rem] list-disc pl-6">{children}</ul>,
    ol: ({ children }) => <ol className="mb-3 max-w-[46rem] list-decimal pl-6">{children}</ol>,
    table: ({ children }) => <div className="overflow-x-auto"><table className="ledger mb-3">{children}</table></div>,
    code: ({ children }) => <code className="rounded-sm bg-well px-1">{children}</code>,
    // What it points to lies beside the manual, not in the app.
    a: ({ children }) => <em>{children}</em>,
};

/** The manual, at the chapter that was asked for. */
export function Manual() {
    const { at } = route.useSearch();
    useEffect(() => {
        const heading = at ? document.getElementById(at) : null;
        heading?.scrollIntoView();
        heading?.focus({ preventScroll: true });
    }, [at]);
    return (
        <Sheet
            title={say('shell.manual')}
            margin={
                <MarginNote title={say('shell.chapters')}>
                    <ul>
                        {CHAPTERS.map((chapter) => (
                            <li key={chapter}>
                                <Link to="/manual" search={{ at: slug(chapter) }} className="flex min-h-11 items-center">{chapter}</Link>
                            </li>
                        ))}
                    </ul>
                </MarginNote>
            }
        >
            <Markdown remarkPlugins={[remarkGfm]} components={PARTS}>{body.join('\n')}</Markdown>
        </Sheet>
    );
}
