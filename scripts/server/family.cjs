/* What a server process and the one that started it have agreed on. */

/** The exit code that says: somebody else has the port. */
exports.portTaken = 98;

/** Tells whoever started this process that every request is answered from now on. */
exports.tellListening = () => process.send?.('listening');

/** Ends when whoever started this process is gone: nobody is left behind. */
exports.endWithParent = (end) => process.on('disconnect', end);
