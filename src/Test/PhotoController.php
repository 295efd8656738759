<?php

declare(strict_types=1);

namespace App\Test;

use App\Account\CurrentUser;
use App\Platform\Audit;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\StoredEdit;
use App\Platform\Database\Transaction;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Test\Life\RunStatus;
use Sitzplatz\Test\PhotoShows;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** Photos of what a run left: underside, lift, damage. */
final readonly class PhotoController
{
    private const MOST_OF_A_RUN = 12;

    public function __construct(
        private EntityManagerInterface $entities,
        private IdempotentCreation $creation,
        private StoredEdit $edit,
        private RunRepository $runs,
        private RunSheetData $sheet,
        private Transaction $transaction,
        private CurrentUser $current,
        private Audit $audit,
        private Now $now,
    ) {
    }

    #[Route('/api/runs/{id}/photos', name: 'addPhoto', methods: ['POST'])]
    public function add(string $id, Request $request): Answer
    {
        $shows = PhotoShows::tryFrom($request->query->getString('shows')) ?? throw Problem::invalid('shows', 'Say what it shows: underside, lift or damage.');
        $key = $request->query->getString('id');
        if (!Uuid::isValid($key)) {
            throw Problem::invalid('id', 'A photo needs a key of its own.');
        }
        $run = $this->edit->find(Run::class, $id);
        if (RunStatus::Planned === $run->status) {
            throw Problem::invalid('', 'Begin the run before you photograph it.', 409);
        }
        $sent = $request->getContent();
        $body = ['id' => $key, 'run' => $id, 'shows' => $shows->value, 'sent' => hash('sha256', $sent)];
        [, $new] = $this->creation->create(RunPhoto::class, $body, function (Uuid $key) use ($id, $shows, $sent): RunPhoto {
            $run = $this->edit->locked(Run::class, $id);
            if (\count($this->runs->photosOf($run)) >= self::MOST_OF_A_RUN) {
                throw Problem::invalid('', \sprintf('A run keeps %d photos: take one back first.', self::MOST_OF_A_RUN), 409);
            }
            $picture = PhotoPicture::of($sent);
            $photo = new RunPhoto(
                $key,
                $this->now->time(),
                $run,
                $shows,
                $picture->width,
                $picture->height,
                hash('sha256', $picture->jpeg),
                $this->current->author()->name,
            );
            $this->entities->persist(new PhotoImage($photo, $picture->jpeg));

            return $photo;
        });

        return new Answer($this->sheet->of($this->edit->find(Run::class, $id)), $new ? 201 : 200);
    }

    #[Route('/api/photos/{id}', name: 'getPhoto', methods: ['GET'])]
    public function get(string $id): Response
    {
        $photo = $this->edit->find(RunPhoto::class, $id);
        $image = $this->entities->find(PhotoImage::class, $photo)->image ?? throw Problem::notFound();

        return PhotoPicture::kept($image);
    }

    #[Route('/api/photos/{id}/withdraw', name: 'withdrawPhoto', methods: ['POST'])]
    public function withdraw(string $id): Answer
    {
        $run = $this->transaction->run(function () use ($id): Run {
            $photo = $this->edit->find(RunPhoto::class, $id);
            $this->edit->locked(Run::class, $photo->run->id->toRfc4122());
            if (null === $photo->withdrawnAt) {
                $photo->withdrawnAt = $this->now->time();
                $this->audit->note('photo withdrawn', $photo->run->id, ['photo' => $id]);
                $this->entities->flush();
            }

            return $photo->run;
        });

        return new Answer($this->sheet->of($run));
    }

    #[Route('/api/comparisons/{id}/photos', name: 'listPhotos', methods: ['GET'])]
    public function list(string $id): Answer
    {
        return new Answer(array_map(
            static fn (RunPhoto $photo): array => [
                ...$photo->toArray(),
                'runId' => $photo->run->id->toRfc4122(),
                'run' => $photo->run->position,
                'setup' => $photo->run->setup->label,
            ],
            $this->runs->photos($this->edit->find(Comparison::class, $id)),
        ));
    }
}
