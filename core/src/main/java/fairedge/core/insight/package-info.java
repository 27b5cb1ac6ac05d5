/**
 * What a class has learnt: how far each student is with each exercise, skills over a term with how
 * sure that is. May use what is counted and credited; knows no mesh.
 */
@NullMarked
package fairedge.core.insight;

import org.jspecify.annotations.NullMarked;
