const name = 'person';

/** The name of whoever is at this desk, kept by this browser and sent with every call. */
class Person {
  now = $state(read());

  call(given: string) {
    this.now = given.trim();
    document.cookie = `${name}=${encodeURIComponent(this.now)}; path=/; max-age=31536000; samesite=strict`;
  }
}

function read() {
  const found = document.cookie.split('; ').find((one) => one.startsWith(`${name}=`));
  return found ? decodeURIComponent(found.slice(name.length + 1)) : '';
}

export const person = new Person();
