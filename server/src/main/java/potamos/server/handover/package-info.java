/** The change of a shift: who takes which pots, what is pending on them, and who has signed for it. */
package potamos.server.handover;
