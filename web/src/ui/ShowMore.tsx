import { say } from '../words/say';
import { Button } from './Button';
import type { useFound } from './useFound';

/** The next page of a list, as long as there is one. */
export function ShowMore({ pages }: { pages: ReturnType<typeof useFound>['pages'] }) {
    return pages.hasNextPage ? (
        <Button className="mt-4" disabled={pages.isFetchingNextPage} onClick={() => void pages.fetchNextPage()}>
            {say('ui.show_more')}
        </Button>
    ) : null;
}
