namespace Kalypto.Web.Tests;

/// <summary>How often a server compared a password.</summary>
internal sealed class HashCount
{
    private int verified;

    public int Verified => Volatile.Read(ref verified);

    public void Add() => Interlocked.Increment(ref verified);
}
