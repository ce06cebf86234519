<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Routing\Route;

/**
 * Who may use which address of the API: the one table of it. An address that is not in it is refused to everybody where
 * people sign in, and fails tests/Feature/People/MatrixTest.php.
 */
final class RouteAccess
{
    /** What is needed for an address, by its method and its path behind `api/`. */
    public const TABLE = [
        // Of nobody in particular.
        'GET ready' => Ability::Anyone,
        'GET metrics' => Ability::Anyone,
        'GET parts' => Ability::Anyone,
        'GET flange-tables' => Ability::Anyone,
        // Signing in, and oneself.
        'GET me' => Ability::Anyone,
        'POST sign-in' => Ability::Anyone,
        'POST sign-in/code' => Ability::Anyone,
        'POST sign-out' => Ability::Anyone,
        'POST password/forgotten' => Ability::Anyone,
        'POST password/new' => Ability::Anyone,
        'GET invitations/{user}' => Ability::Anyone,
        'POST invitations/{user}' => Ability::Anyone,
        'POST shared/{link}' => Ability::Anyone,
        'POST me/sign-out-everywhere' => Ability::SignedIn,
        'POST me/password' => Ability::SignedIn,
        'POST me/second-factor' => Ability::SignedIn,
        'POST me/second-factor/confirmed' => Ability::SignedIn,
        'POST me/second-factor/off' => Ability::SignedIn,
        'GET me/tokens' => Ability::SignedIn,
        'POST me/tokens' => Ability::SignedIn,
        'DELETE me/tokens/{token}' => Ability::SignedIn,
        // The team.
        'GET people' => Ability::Browse,
        'POST people' => Ability::Lead,
        'POST people/{user}' => Ability::Lead,
        'GET trail' => Ability::Lead,
        'GET trail.csv' => Ability::Lead,
        // The catalogue of the team, and its jobs.
        'GET catalogue' => Ability::Browse,
        'GET catalogue.csv' => Ability::Browse,
        'POST catalogue' => Ability::Library,
        'POST catalogue/import' => Ability::Library,
        'DELETE catalogue/{row}' => Ability::Library,
        'GET flanges' => Ability::Browse,
        'GET flanges.csv' => Ability::Browse,
        'POST flanges' => Ability::Library,
        'POST flanges/import' => Ability::Library,
        'DELETE flanges/{flange}' => Ability::Library,
        'GET springback' => Ability::Browse,
        'POST springback/forget' => Ability::Library,
        'GET jobs' => Ability::Browse,
        'POST jobs' => Ability::Library,
        'POST jobs/open' => Ability::Library,
        'POST meshes' => Ability::Library,
        'GET meshes/{key}' => Ability::Anyone,
        // A job, looked at; of an issued revision whoever may see what is issued.
        'GET jobs/{job}' => Ability::See,
        'POST jobs/{job}/opened' => Ability::See,
        'GET jobs/{job}/revision' => Ability::See,
        'GET jobs/{job}/bodies.{format}' => Ability::See,
        'GET jobs/{job}/body-works/{work}' => Ability::See,
        'POST jobs/{job}/body-works/{work}' => Ability::See,
        'GET jobs/{job}/centrelines.dxf' => Ability::See,
        'GET jobs/{job}/clearances' => Ability::See,
        'POST jobs/{job}/clearances/cures' => Ability::See,
        'POST jobs/{job}/clearances/work' => Ability::See,
        'GET jobs/{job}/comparison' => Ability::See,
        'POST jobs/{job}/comparison' => Ability::See,
        'GET jobs/{job}/comparison.pdf' => Ability::See,
        'GET jobs/{job}/drawings/{kind}' => Ability::See,
        'GET jobs/{job}/drawings/{kind}.{format}' => Ability::See,
        'GET jobs/{job}/file' => Ability::See,
        'GET jobs/{job}/file.bowline' => Ability::See,
        'GET jobs/{job}/harnesses' => Ability::See,
        'GET jobs/{job}/harnesses/{harness}' => Ability::See,
        'GET jobs/{job}/harnesses/{harness}/board' => Ability::See,
        'GET jobs/{job}/harnesses/{harness}/board.{format}' => Ability::See,
        'GET jobs/{job}/harnesses/{harness}/inside' => Ability::See,
        'GET jobs/{job}/harnesses/{harness}/lists/{list}' => Ability::See,
        'POST jobs/{job}/harnesses/{harness}/tested' => Ability::See,
        'GET jobs/{job}/harnesses/{harness}/{list}.csv' => Ability::See,
        'GET jobs/{job}/harnesses/{harness}/{list}.pdf' => Ability::See,
        'GET jobs/{job}/joined/{body}/drillings' => Ability::See,
        'GET jobs/{job}/joined/{body}/drillings.csv' => Ability::See,
        'GET jobs/{job}/joined/{body}/mass' => Ability::See,
        'GET jobs/{job}/joined/{body}/mesh' => Ability::See,
        'GET jobs/{job}/joined/{body}/wall-map' => Ability::See,
        'GET jobs/{job}/joined/{body}/walls' => Ability::See,
        'GET jobs/{job}/lists/{list}' => Ability::See,
        'GET jobs/{job}/lists/{list}.csv' => Ability::See,
        'GET jobs/{job}/lists/{list}.pdf' => Ability::See,
        'GET jobs/{job}/mass' => Ability::See,
        'POST jobs/{job}/measure' => Ability::See,
        'GET jobs/{job}/open-points' => Ability::See,
        'POST jobs/{job}/packs' => Ability::See,
        'GET jobs/{job}/packs/{pack}' => Ability::See,
        'GET jobs/{job}/packs/{pack}/file' => Ability::See,
        'POST jobs/{job}/packs/{pack}/stop' => Ability::See,
        'GET jobs/{job}/picture.svg' => Ability::See,
        'GET jobs/{job}/remarks' => Ability::See,
        'GET jobs/{job}/runs/{run}/bench' => Ability::See,
        'GET jobs/{job}/bent-parts/{part}' => Ability::See,
        'GET jobs/{job}/runs/{run}/benders' => Ability::See,
        'GET jobs/{job}/runs/{run}/bends.csv' => Ability::See,
        'GET jobs/{job}/runs/{run}/body.{format}' => Ability::See,
        'GET jobs/{job}/runs/{run}/centreline.dxf' => Ability::See,
        'GET jobs/{job}/runs/{run}/cuts.csv' => Ability::See,
        'GET jobs/{job}/runs/{run}/drillings' => Ability::See,
        'GET jobs/{job}/runs/{run}/joined' => Ability::See,
        'GET jobs/{job}/runs/{run}/machine/{kind}.csv' => Ability::See,
        'GET jobs/{job}/runs/{run}/mass' => Ability::See,
        'GET jobs/{job}/runs/{run}/settling' => Ability::See,
        'GET jobs/{job}/runs/{run}/supports' => Ability::See,
        'GET jobs/{job}/runs/{run}/triangles' => Ability::See,
        'GET jobs/{job}/runs/{run}/vertices.csv' => Ability::See,
        'POST jobs/{job}/section' => Ability::See,
        'POST jobs/{job}/presence' => Ability::See,
        // What is issued.
        'GET jobs/{job}/revisions' => Ability::SeeIssued,
        'GET jobs/{job}/revisions/{number}' => Ability::SeeIssued,
        'GET jobs/{job}/revisions/{number}/files/{name}' => Ability::SeeIssued,
        // A job, changed; an edit of waivers alone needs Waive in place of Edit (EditRights).
        'POST jobs/{job}/catalogue' => Ability::Edit,
        'POST jobs/{job}/checking' => Ability::Edit,
        'POST jobs/{job}/comb' => Ability::Edit,
        'POST jobs/{job}/entry' => Ability::Edit,
        'POST jobs/{job}/fittings/{fitting}/onto' => Ability::Edit,
        'POST jobs/{job}/harnesses' => Ability::Edit,
        'POST jobs/{job}/harnesses/{harness}/board' => Ability::Edit,
        'POST jobs/{job}/harnesses/{harness}/pasted' => Ability::Edit,
        'POST jobs/{job}/lines' => Ability::Edit,
        'POST jobs/{job}/new' => Ability::Edit,
        'POST jobs/{job}/pairs' => Ability::Edit,
        'POST jobs/{job}/pasted' => Ability::Edit,
        'POST jobs/{job}/pieces' => Ability::Edit,
        'POST jobs/{job}/preview/place' => Ability::Edit,
        'POST jobs/{job}/preview/run' => Ability::Edit,
        'POST jobs/{job}/runs/{run}/broken' => Ability::Edit,
        'POST jobs/{job}/runs/{run}/joined' => Ability::Edit,
        'POST jobs/{job}/runs/{run}/laying' => Ability::Edit,
        'POST jobs/{job}/runs/{run}/settling' => Ability::Edit,
        'POST jobs/{job}/runs/{run}/twin' => Ability::Edit,
        'POST jobs/{job}/runs/{run}/ways-in' => Ability::Edit,
        'POST jobs/{job}/several' => Ability::Edit,
        'POST jobs/{job}/values/rename' => Ability::Edit,
        'POST jobs/{job}/ways' => Ability::Edit,
        'GET jobs/{job}/ways/{work}' => Ability::Edit,
        'POST jobs/{job}/ways/{work}/stop' => Ability::Edit,
        'POST jobs/{job}/edits' => Ability::Change,
        'POST jobs/{job}/step' => Ability::Change,
        'POST jobs/{job}/undo' => Ability::Change,
        // In the shop.
        'POST jobs/{job}/runs/{run}/bench' => Ability::Make,
        'POST jobs/{job}/bent-parts/{part}/stop' => Ability::Make,
        'POST jobs/{job}/revisions/{number}/made' => Ability::MarkMade,
        // Checked and issued.
        'POST jobs/{job}/remarks' => Ability::Remark,
        'POST jobs/{job}/remarks/{remark}' => Ability::Remark,
        'POST jobs/{job}/revisions' => Ability::Issue,
        // Owned.
        'DELETE jobs/{job}' => Ability::Own,
        'POST jobs/{job}/restore' => Ability::Own,
        'GET jobs/{job}/people' => Ability::Meet,
        'POST jobs/{job}/people' => Ability::Own,
        'POST jobs/{job}/link' => Ability::Own,
        'POST jobs/{job}/copy' => Ability::Copy,
    ];

    /** Returns what is needed for a route; null where the table does not say. */
    public static function of(Route $route): ?Ability
    {
        foreach ($route->methods() as $method) {
            $ability = self::TABLE[$method.' '.substr($route->uri(), strlen('api/'))] ?? null;
            if ($ability !== null) {
                return $ability;
            }
        }

        return null;
    }
}
