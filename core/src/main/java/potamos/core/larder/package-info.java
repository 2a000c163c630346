/** What lies ready for the pot: boxes of bones, vegetables and dry goods, what of them a batch is made from, and what they lack. */
package potamos.core.larder;
