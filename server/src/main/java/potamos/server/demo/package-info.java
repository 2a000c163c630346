/** The demo kitchen: made-up people and pots, loaded only when the application is started as a demo. */
package potamos.server.demo;
