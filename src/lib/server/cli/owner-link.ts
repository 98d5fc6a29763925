import { connect } from '../db/database';
import { ownerInvitation } from '../access/people';

/** What bin/start prints where nobody owns the workshop yet: a link that makes its first owner, once. */
const [address] = process.argv.slice(2);
const url = process.env.DATABASE_URL;
if (!url || !address) throw new Error('owner-link needs DATABASE_URL and the address of the server');
const db = connect(url);
try {
  const token = await ownerInvitation(db, 'terminal');
  if (token)
    console.log(`Nobody owns this workshop yet. Make yourself its owner, once: ${address}/join/${token}`);
} finally {
  await db.sequelize.close();
}
