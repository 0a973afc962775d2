namespace Pravik.Core.Codes;

/// <summary>A family of standards for traffic and combinations of actions.</summary>
public enum Standard
{
    /// <summary>EN 1990 and EN 1991.</summary>
    Eurocode,

    /// <summary>AASHTO LRFD.</summary>
    Lrfd,
}
