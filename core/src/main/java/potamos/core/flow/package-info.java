/** Where every litre goes: the run of a pot predicted, and the ledger that closes over it. */
package potamos.core.flow;
