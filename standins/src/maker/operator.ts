import { FAILING, NONSENSE, operatorPage, SLOW } from '../operator-page';

export const page = operatorPage({
  title: 'Shaft maker stand-in',
  intro: 'How the simulated shop behaves toward Intervex, and what is in its parcels.',
  fields: [FAILING, NONSENSE, SLOW],
  list: `
        const orders = await get('/shop/orders');
        list.replaceChildren(
          ...orders.map((order) => {
            const row = document.createElement('article');
            const made = order.made.map((m) => m.side + ' ' + m.length + ' mm').join(', ');
            row.append(
              order.number + ': ' + order.state + ', ' + order.price + '. In the parcel: ' + made + '.',
              document.createElement('br'),
            );
            const at = '/shop/orders/' + order.number;
            row.append(
              button('Move on', () => post(at + '/advance')),
              button('10 days late', () => post(at + '/late', { days: 10 })),
              button('Make the left one 12 mm short', () => post(at + '/spoil', { side: 'left', by: -12 })),
            );
            return row;
          }),
        );
        if (!orders.length) list.textContent = 'No orders yet.';`,
});
