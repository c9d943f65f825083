// What the linter looks for by this house's own rules.

/** Core computes: it is told what time it is, and by which seed something is drawn. */
const timeAndChanceComeIn = {
  create(context) {
    const report = (node, message) => context.report({ node, message });
    return {
      NewExpression(node) {
        const isNow = node.callee.name === 'Date' && node.arguments.length === 0;
        if (isNow) report(node, 'Time comes in as an argument.');
      },
      MemberExpression(node) {
        const called = `${node.object.name}.${node.property.name}`;
        if (called === 'Date.now') report(node, 'Time comes in as an argument.');
        if (called === 'Math.random') report(node, 'Chance comes in as a seed.');
      },
    };
  },
};

/** Words that one database knows and another does not. */
const OF_ONE_DATABASE = /json_|PRAGMA|INSERT OR|sqlite_|rowid|VACUUM/;

const noDialect = {
  create(context) {
    const look = (node, text) => {
      if (!OF_ONE_DATABASE.test(text)) return;
      context.report({ node, message: 'Only store/sql knows a dialect: say it by db.dialect.' });
    };
    return {
      Literal: (node) => look(node, String(node.value)),
      TemplateElement: (node) => look(node, node.value.raw),
    };
  },
};

export default {
  meta: { name: 'own' },
  rules: { 'time-and-chance-come-in': timeAndChanceComeIn, 'no-dialect': noDialect },
};
