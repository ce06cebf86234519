<?php

declare(strict_types=1);

namespace App\People\Mail;

use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** A mail of plain text, from a view. */
final class PlainMail extends Mailable
{
    /**
     * @param  view-string  $plainView
     * @param  array<string, string>  $words  of the view
     */
    public function __construct(
        private readonly string $about,
        private readonly string $plainView,
        private readonly array $words,
    ) {
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: $this->about);
    }

    public function content(): Content
    {
        return new Content(text: $this->plainView, with: $this->words);
    }
}
