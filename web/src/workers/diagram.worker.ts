// The layout library is its own worker: it answers messages by itself.
import 'elkjs/lib/elk-worker.min.js';
