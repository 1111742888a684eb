-- An order says that it is being paid before the maker is told, so that what was cut off in between can be resumed.
alter table order_events drop constraint order_events_state_check;
alter table order_events add constraint order_events_state_check
  check (state in ('quoted', 'paying', 'paid', 'cutting', 'shipped', 'late', 'wrong', 'accepted', 'sentBack'));
