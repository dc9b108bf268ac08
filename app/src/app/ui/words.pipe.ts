import { Pipe, type PipeTransform } from '@angular/core';
import { inWords, type Phrase } from '@joined-hands/core/sentences';

/** A phrase in words, or several, joined by what stands between them. */
@Pipe({ name: 'words' })
export class WordsPipe implements PipeTransform {
  transform(said: Phrase | readonly Phrase[], between = ' '): string {
    return 'code' in said ? inWords(said) : said.map(inWords).join(between);
  }
}
