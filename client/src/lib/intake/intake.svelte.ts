import { goto } from '$app/navigation';
import { answer, api, sentenceOf, type Schemas } from '$lib/api/client';
import { queryClient } from '$lib/api/queries';

export type Proposal = Schemas['ProposalResponse'];

const readable = /\.(eml|html?|xhtml|mht|mhtml|msg|zip)$/i;

/** Mails and saved pages are read into proposals; everything else goes straight into the library. */
export const isReadable = (file: File) => readable.test(file.name);

export const proposal = (id: string) => ({
  queryKey: ['intake', id],
  queryFn: () => answer(api.GET('/api/intake/{id}', { params: { path: { id } } })),
  staleTime: Infinity,
});
/** What was read and is neither kept nor let go. */
export const unfinished = () => ({ queryKey: ['intake', 'all'], queryFn: () => answer(api.GET('/api/intake')) });
/** Asked anew whenever it is looked at: what was just taken in says so. */
export const mailbox = () => ({
  queryKey: ['mailbox'],
  queryFn: () => answer(api.GET('/api/mailbox')),
  staleTime: 0,
});

/** What is being read, and the mails and pages that wait their turn: each is looked at by itself. */
class Intake {
  reading = $state('');
  problem = $state('');
  waiting = $state.raw<File[]>([]);

  files(files: File[]) {
    this.waiting = [...this.waiting, ...files];
    return this.next();
  }

  /** Opens the next file that waits; false where none does. */
  async next() {
    const [file, ...rest] = this.waiting;
    if (!file) return false;
    this.waiting = rest;
    const form = new FormData();
    form.append('file', file, file.name);
    return this.open(file.name, () =>
      answer(api.POST('/api/intake/file', { body: form as never, bodySerializer: (body) => body as never })),
    );
  }
  mail = (id: string, subject: string) =>
    this.open(subject, () => answer(api.POST('/api/mailbox/{id}', { params: { path: { id } } })));
  pasted = (html: string) =>
    this.open('what you pasted', () => answer(api.POST('/api/intake/pasted', { body: { html, address: null } })));
  address = (address: string) =>
    this.open(address, () => answer(api.POST('/api/intake/address', { body: { address } })));
  archive = (address: string, items: number[]) =>
    this.open('the archive’s pictures', () => answer(api.POST('/api/archive/bring', { body: { address, items } })));

  private async open(name: string, read: () => Promise<Proposal>) {
    this.problem = '';
    this.reading = name;
    try {
      const read1 = await read();
      queryClient.setQueryData(['intake', read1.id], read1);
      await goto(`/library/in/${read1.id}`);
      return true;
    } catch (error) {
      this.problem = `${name}: ${sentenceOf(error)}`;
      return false;
    } finally {
      this.reading = '';
    }
  }
}

export const intake = new Intake();
