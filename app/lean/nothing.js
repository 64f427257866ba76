/** Stands in for what is never shown. */
module.exports = {};
