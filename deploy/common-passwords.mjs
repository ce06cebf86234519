// Prints the passwords that are tried first, one a line, for App\People\Passwords: those that were found most often in
// what had leaked, as the password strength estimator zxcvbn-ts brings them. Run by bin/prepare.
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';

const require = createRequire(import.meta.url);
const folder = dirname(require.resolve('@zxcvbn-ts/language-common/package.json'));
const passwords = Object.values(require(join(folder, 'src', 'passwords.json')));
process.stdout.write(`${passwords.join('\n')}\n`);
