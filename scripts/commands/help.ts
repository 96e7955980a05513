import { say } from '../support/say';

/** What each command does. */
export async function help(): Promise<void> {
  say(`Plucky Parcel

  ./plucky demo            the invented workshop Gullwharf Renewal, with a parcel at every stage of the line
  ./plucky start           your own shop; until its first lead has signed in it prints their PIN
  ./plucky stop            stops what runs, database included
  ./plucky person NAME ROLE    adds a technician, lead or viewer to your own shop and prints the PIN
  ./plucky rules [FILE]    prints the house rules of your own shop, or takes them from a file
  ./plucky reset [demo]    empties your own shop (or the demo) after asking
  ./plucky backup [FILE]   writes your own shop to a file, also while it is open
  ./plucky backups [FOLDER NUMBER]   says or chooses where the daily backups go and how many stay
  ./plucky verify FILE     says whether a backup is whole
  ./plucky restore FILE    replaces your own shop by a backup after asking; --back takes that back until the next start
  ./plucky recount         counts your own shop anew, whatever was counted before
  ./plucky archive DAY     moves what is told of units that left before a day to a file that still opens
  ./plucky service [remove]    makes your own shop a service of this machine, open from boot on
  ./plucky instrument NAME URL KEY   a stand-in for an instrument of a bench: calliper, analyser, scanner …
  ./plucky match FILE [--lp FILE.lp]   solves a match problem that was written down, or writes it for another solver
  ./plucky support [FILE]  writes a file for whoever helps you, without names, serials or prices
  ./plucky audit           says which packages have known faults, and by which licences they come
  ./plucky test            installs what is missing and runs every check and test
  ./plucky shots           retakes docs/screenshots from the demo
  ./plucky help            this page

  PLUCKY_PORT   first port to try (4310)        PLUCKY_HOST   address to listen on (127.0.0.1)
  PLUCKY_WORKERS   server processes (one for each core, up to 4)
  PLUCKY_HOME   folder for database and logs (.plucky/main)`);
}
