import sharp from 'sharp';
const [,, out, cell, ...f] = process.argv; const W=+cell;
const t = await Promise.all(f.map(x=>sharp(x).resize({width:W}).toBuffer({resolveWithObject:true})));
let x=0; const H=Math.max(...t.map(i=>i.info.height));
await sharp({create:{width:W*t.length,height:H,channels:3,background:'#888'}}).composite(t.map((i,n)=>({input:i.data,left:n*W,top:0}))).png().toFile(out);
