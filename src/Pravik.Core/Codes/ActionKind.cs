namespace Pravik.Core.Codes;

/// <summary>To which kind of action a case belongs: by it combinations choose their factors.</summary>
public enum ActionKind
{
    /// <summary>Weight of the structure and of what lies on it, and what props that are taken away carried.</summary>
    Permanent,

    /// <summary>Surfacing, whose thickness may become another (EN 1991-1-1 5.2.3(3)).</summary>
    Surfacing,

    /// <summary>Prestress.</summary>
    Prestress,

    /// <summary>Creep.</summary>
    Creep,

    /// <summary>Shrinkage.</summary>
    Shrinkage,

    /// <summary>Losses of prestress with time.</summary>
    Losses,

    /// <summary>Settlement of supports.</summary>
    Settlement,

    /// <summary>Temperature.</summary>
    Temperature,

    /// <summary>Wind.</summary>
    Wind,

    /// <summary>Braking and acceleration.</summary>
    Braking,

    /// <summary>Centrifugal force of road traffic.</summary>
    Centrifugal,

    /// <summary>Traction and braking of trains.</summary>
    TrainAlong,

    /// <summary>Nosing of trains.</summary>
    Nosing,

    /// <summary>Centrifugal force of trains, even along the deck.</summary>
    TrainCentrifugal,

    /// <summary>The same of axles at one place, beyond what is even.</summary>
    TrainCentrifugalAt,

    /// <summary>Traffic.</summary>
    Traffic,

    /// <summary>A variable action of the engineer's own.</summary>
    Variable,

    /// <summary>An accidental action of the engineer's own: an impact, say.</summary>
    Accidental,

    /// <summary>A case that enters no generated combination.</summary>
    Aside,
}
