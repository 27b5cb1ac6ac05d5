/**
 * The table at which all changes work: where one may work and on what ({@code Site}, {@code
 * Scope}), how the user saw it ({@code View}), what was asked for and is there ({@code Asked}), and
 * what it gives back ({@code Done} with its pieces and remarks). Here comes what cutting, cleaning
 * and forming share, and nothing that one of them alone needs.
 */
@NullMarked
package fairedge.core.work;

import org.jspecify.annotations.NullMarked;
