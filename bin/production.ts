/** Pages are drawn by the parts made for serving, not by those made for developing, unless it is said otherwise. First of all imports. */
process.env['NODE_ENV'] ??= 'production';
