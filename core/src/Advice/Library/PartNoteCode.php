<?php

namespace Pebblerun\Core\Advice\Library;

enum PartNoteCode
{
    /** A pump or injectors told by the power they are good for: the flow that it takes. */
    case GoodFor;
    /** A cooler told by its core: what is typical of it. */
    case TypicalCooler;
    /** It is a cooler by its slot, and says nothing of its core. */
    case CoolsNothing;
    /** A limit of the stock component in its slot stays. */
    case LimitStays;
    /** So does the stock pump or injector. */
    case SupplyStays;
}
