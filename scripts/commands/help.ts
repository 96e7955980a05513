import { say } from '../support/say';

/** What each command does. */
export async function help(): Promise<void> {
  say(`Plucky Parcel

  ./plucky demo            the invented workshop Gullwharf Renewal, with a parcel at every stage of the line
  ./plucky start           your own shop; the first time it prints the PIN of a first lead
  ./plucky stop            stops what runs, database included
  ./plucky person NAME ROLE    adds a technician, lead or viewer to your own shop and prints the PIN
  ./plucky rules [FILE]    prints the house rules of your own shop, or takes them from a file
  ./plucky reset [demo]    empties your own shop (or the demo) after asking
  ./plucky backup FILE     writes your own shop to a file
  ./plucky restore FILE    replaces your own shop by a backup after asking
  ./plucky recount         counts your own shop anew, whatever was counted before
  ./plucky test            installs what is missing and runs every check and test
  ./plucky shots           retakes docs/screenshots from the demo
  ./plucky help            this page

  PLUCKY_PORT   first port to try (4310)        PLUCKY_HOST   address to listen on (127.0.0.1)
  PLUCKY_WORKERS   server processes (one for each core, up to 4)
  PLUCKY_HOME   folder for database and logs (.plucky/main)`);
}
