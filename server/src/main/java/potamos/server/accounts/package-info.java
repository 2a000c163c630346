/** Who may do what: accounts, sign-in, sessions, and the limits on both. */
package potamos.server.accounts;
