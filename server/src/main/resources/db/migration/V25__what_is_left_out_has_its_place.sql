-- A plan that holds says where what is left out stands in it; those that were kept before are made anew.
DELETE FROM held_plan;
